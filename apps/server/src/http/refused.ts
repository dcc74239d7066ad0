import type { ErrorCode } from '@semita/core/contract';

/** An expected refusal, on its way to the answer. Carries a code for programs; people's words are in the web app. */
export class Refused extends Error {
  readonly code: ErrorCode;
  readonly detail: unknown;

  constructor(code: ErrorCode, detail?: unknown) {
    super(code);
    this.name = 'Refused';
    this.code = code;
    this.detail = detail;
  }
}

/** Unwraps what must be there; what another school or class owns is as absent as what never was. */
export function found<T>(value: T | null | undefined): T {
  if (value === null || value === undefined) throw new Refused('notFound');
  return value;
}
