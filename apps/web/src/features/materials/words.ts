import { addWords } from '../../words/words.ts';

/** The words of this room, loaded with it. */
export const materialsWords = {
  shelf: {
    untitled: 'Untitled lesson',
  },
  refusal: {
    fileEmpty: 'This file is empty.',
    notMedia:
      'This is not a film, whatever its name says. Nothing was kept; choose an MP4 or WebM film, or an MP3, M4A, OGG or WAV sound.',
    codecUnplayable: 'Browsers cannot play this film. Save it as MP4 (H.264 and AAC) and bring it in again.',
    containerUnplayable: 'Browsers cannot play this kind of file. Save it as MP4 or WebM and bring it in again.',
    incomplete: 'Part of this file is missing: it ends in the middle. Copy it again from the original.',
    noLength: 'The length of this film cannot be read. Save it again as MP4 or WebM.',
    otherKind: 'This is a different kind of file from the one it would replace. It was put on the shelf separately.',
    notKnown:
      'This kind of file is not known here. Films are MP4 or WebM; documents Word, OpenDocument, PDF, HTML, Markdown, EPUB or text.',
    passwordProtected: 'This document is protected by a password. Save a copy without one and bring that in.',
    damaged: 'This file is damaged or ends in the middle. Open it where it was made, save it again, and bring that in.',
    tooMuchInside: 'This file holds far more than a document should. It was not opened.',
    oldFormat:
      'This is a document of an older kind, or protected by a password. Save it as .docx, .odt or .pptx without a password and bring that in.',
    tooManyPages: 'This has more than 800 pages. Save the part you need as a file of its own and bring that in.',
    addressUnusable: 'This is not the address of a file. Addresses begin with http:// or https://.',
    addressPrivate: 'This address is on a private network. Only files on the public internet can be fetched.',
    addressSilent: 'Nothing came from this address, or it broke off. Try again, or save the file and choose it here.',
    addressRefused: 'There is no file at this address, or it is not public.',
    fileTooLarge: 'This file is larger than 2 GiB. It was not fetched.',
    noText: 'There are no words and no pictures in this file.',
    tooSlow: 'Reading this took longer than three minutes and was stopped. Try bringing in a part of it.',
    tooMuchMemory: 'Reading this took more memory than one document may use. Try bringing in a part of it.',
  },
  slides: {
    change: 'Change these slides',
  },
  walk: {
    returned: 'Your teacher gave this back to work on.',
    workAgain: 'Work on it again',
    afterClosing:
      'Some of your work came in after the lesson had closed. It is kept, and your teacher decides if it counts. You do not need to do it again.',
  },
} as const;

declare module '../../words/words.ts' {
  interface Catalogues {
    readonly materials: typeof materialsWords;
  }
}
addWords(materialsWords);
