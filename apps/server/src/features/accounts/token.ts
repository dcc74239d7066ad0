import { createHash, randomBytes } from 'node:crypto';

/** What cookies, links and squares hold: 256 bits that nobody can guess. */
export const newToken = (): string => randomBytes(32).toString('base64url');

/** As tokens are kept: a stolen database opens nothing. They are too long to be guessed from a plain hash. */
export const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');
