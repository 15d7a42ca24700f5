import { createHash, randomBytes, randomInt, randomUUID } from 'node:crypto';

const BYTES = 32;

/** What nobody can guess. */
export interface Chance {
  /** 256 bits of it, as text. */
  readonly secret: () => string;
  /** From 0 (included) to 1. */
  readonly share: () => number;
  readonly id: () => string;
}

export const CHANCE: Chance = {
  secret: () => randomBytes(BYTES).toString('base64url'),
  share: () => randomInt(2 ** 40) / 2 ** 40,
  id: randomUUID,
};

/** What is kept of a secret. Since it is as random as its hash is long, a quick hash without salt gives nothing away. */
export const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('base64url');
