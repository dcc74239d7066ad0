/** What a student gives to one question. */
export type Response =
  | { readonly kind: 'choice'; readonly optionIds: readonly string[] }
  | { readonly kind: 'extendedText'; readonly text: string };

/** The longest written answer that is taken, in UTF-16 units: about ten printed pages. */
export const longestTextLength = 25_000;

/** The part of a question that tells whether a response fits it; a learner's question has it too. */
export type ResponseShape =
  | { readonly kind: 'choice'; readonly several: boolean; readonly options: readonly { readonly id: string }[] }
  | { readonly kind: 'extendedText' };

/** Whether a response is of the question's kind, names only options that exist, and is within bounds. */
export function isFitting(question: ResponseShape, response: Response): boolean {
  if (question.kind === 'extendedText')
    return response.kind === 'extendedText' && response.text.length <= longestTextLength;
  if (response.kind !== 'choice') return false;
  const known = new Set(question.options.map((option) => option.id));
  const given = new Set(response.optionIds);
  return (
    given.size === response.optionIds.length &&
    response.optionIds.every((id) => known.has(id)) &&
    (question.several || given.size <= 1)
  );
}

/** Whether something was picked or written at all. */
export function isBlank(response: Response): boolean {
  return response.kind === 'choice' ? response.optionIds.length === 0 : response.text.trim() === '';
}
