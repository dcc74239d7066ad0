import type { ErrorCode } from '@semita/core/contract';

/** An answer that is an error, or no answer at all. The web switches on `code`, never on words. */
export class ApiError extends Error {
  readonly code: ErrorCode | 'offline';
  readonly detail: unknown;

  constructor(code: ErrorCode | 'offline', detail?: unknown) {
    super(code);
    this.name = 'ApiError';
    this.code = code;
    this.detail = detail;
  }
}

export function codeOf(error: unknown): ErrorCode | 'offline' {
  return error instanceof ApiError ? error.code : 'internal';
}
