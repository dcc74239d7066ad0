import type { Slide } from '@semita/core/deck';
import type { ReadingLevel } from '@semita/core/level';
import type { QtiLeftOut } from '@semita/core/qti';
import type { Question } from '@semita/core/question';
import type { LeftOut, LeftOutCode, ReadingBlock } from '@semita/core/reading';

/** Why a file was not taken. Wording is in the web app's catalogue. */
export type ImportRefusal =
  | 'fileEmpty'
  | 'notKnown'
  | 'passwordProtected'
  | 'damaged'
  | 'tooMuchInside'
  | 'oldFormat'
  | 'tooManyPages'
  | 'noText'
  | 'tooSlow'
  | 'tooMuchMemory';

/** Says no to a file, in a word the teacher's screen knows. */
export class ImportRefused extends Error {
  readonly reason: ImportRefusal;

  constructor(reason: ImportRefusal, cause?: unknown) {
    super(reason, { cause });
    this.reason = reason;
  }
}

/** Collects what is left out while a document is read. */
export function createReport() {
  const counts = new Map<LeftOutCode, number>();
  return {
    add(code: LeftOutCode, count = 1): void {
      if (count > 0) counts.set(code, (counts.get(code) ?? 0) + count);
    },
    list: (): LeftOut[] => [...counts].map(([code, count]) => ({ code, count })),
  };
}

export type Report = ReturnType<typeof createReport>;

/** A block as the importer found it, before it has an id. */
export type RawBlock = Omit<ReadingBlock, 'id'> & { readonly pictureCount: number };

export interface ImportedPicture {
  /** Stands in the html as `picture:<name>`. */
  readonly name: string;
  readonly file: string;
  readonly mimeType: string;
  readonly width: number;
  readonly height: number;
}

export interface ImportedReading {
  readonly kind: 'document';
  readonly title: string | null;
  readonly level: ReadingLevel | null;
  readonly blocks: readonly RawBlock[];
  readonly pictures: readonly ImportedPicture[];
  readonly leftOut: readonly LeftOut[];
}

/** A slide as the importer found it, before it has an id. */
export type RawSlide = Omit<Slide, 'id'>;

/** The same before anybody has said how long it takes. */
export type FoundSlide = Omit<RawSlide, 'lengthMs'> & { readonly pictureCount: number };

export interface ImportedDeck {
  readonly kind: 'deck';
  readonly slides: readonly RawSlide[];
  readonly pictures: readonly ImportedPicture[];
  readonly leftOut: readonly LeftOut[];
}

/** A picture that was brought in by itself. */
export interface ImportedLonePicture {
  readonly kind: 'picture';
  readonly pictures: readonly [ImportedPicture];
}

/** Questions of another program, and the files they show, by the names the questions give them. */
export interface ImportedQuestions {
  readonly kind: 'questions';
  readonly entries: readonly { readonly question: Question; readonly tags: readonly string[] }[];
  readonly media: readonly { readonly name: string; readonly fileName: string; readonly file: string }[];
  readonly leftOut: readonly QtiLeftOut[];
}

export type ImportedMaterial = ImportedReading | ImportedDeck | ImportedLonePicture;
export type Imported = ImportedMaterial | ImportedQuestions;
