/** A voice or a film that was recorded, with its words for whoever cannot hear it. */
export interface Recording {
  readonly materialId: string;
  readonly words: string;
}

/** A picture that was taken from a material or brought in, with words for whoever cannot see it. */
export interface LessonPicture {
  readonly materialId: string;
  readonly alt: string;
}
