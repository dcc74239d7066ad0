import { type Logger, pino } from 'pino';

/**
 * The log of an installation. Errors are told by their kind and place alone: their messages can hold what they were about,
 * such as the name of a child's file or a piece of an answer.
 */
export function createLog(level: string): Logger {
  return pino({ level, serializers: { err: placeOf } });
}

/** What may be written down of an error. */
export function placeOf(error: unknown): object {
  if (!(error instanceof Error)) return { type: typeof error };
  const { code } = error as NodeJS.ErrnoException;
  const frames = (error.stack ?? '').split('\n').filter((line) => /^ {4}at /.test(line));
  return {
    type: error.name,
    ...(typeof code === 'string' ? { code } : {}),
    at: frames.slice(0, 12).map((line) => line.trim()),
    ...(error.cause === undefined ? {} : { cause: placeOf(error.cause) }),
  };
}
