import { hash, verify } from '@node-rs/argon2';

// OWASP Password Storage Cheat Sheet: argon2id, 19 MiB, 2 iterations, 1 lane. The library's default variant is argon2id.
export const passwordCost = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export function hashPassword(password: string): Promise<string> {
  return hash(password, passwordCost);
}

export function isPassword(stored: string, password: string): Promise<boolean> {
  return verify(stored, password);
}

/** Checked against when there is no such account, so that the answer takes as long and tells nothing. */
export const decoyHash = hashPassword('nobody has this password');
