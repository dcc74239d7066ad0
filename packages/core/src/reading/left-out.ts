/** What can be lost when a document is brought in. Wording is in the web app's catalogue. */
export const leftOutCodes = [
  'equations',
  'scripts',
  'formFields',
  'embeddedFrames',
  'macros',
  'comments',
  'trackedChanges',
  'picturesElsewhere',
  'picturesUnreadable',
  'trackingPictures',
  'unsafeLinks',
  'drawings',
  'pagesWithoutText',
  'hiddenSlides',
  'diagrams',
  'charts',
  'films',
  'drawnSlides',
] as const;
export type LeftOutCode = (typeof leftOutCodes)[number];

export interface LeftOut {
  readonly code: LeftOutCode;
  readonly count: number;
}
