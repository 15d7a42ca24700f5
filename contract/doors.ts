import { z } from 'zod';
import { LONG_DIGITS, ROLES, SHORT_DIGITS } from '@/core/doors/joining';
import { id, nameText } from './text';

/** Schemas of who may come in from outside this machine. No secret is in any of them, but for the one answer that makes a token. */

const role = z.enum(ROLES);
const instant = z.number().int();

export const scope = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('probe'), probeId: id }),
  z.strictObject({ kind: z.literal('look') }),
  z.strictObject({ kind: z.literal('all') }),
]);

export const openInput = z.strictObject({ isOpen: z.boolean() });
export const inviteInput = z.strictObject({ role });
export const newToken = z.strictObject({ id, name: nameText, scope });
const isCode = (text: string): boolean => /^\d+$/.test(text) && [SHORT_DIGITS, LONG_DIGITS].includes(text.length);
/** What a device sends to join. */
export const joinInput = z.strictObject({
  digits: z
    .string()
    .max(40)
    .refine((text) => isCode(text.replace(/\s/g, '')), 'Type all the digits of the code that the machine shows.'),
  name: nameText,
});

const token = z.object({ id: z.string(), name: z.string(), scope, madeAtMs: instant, lastUsedMs: instant.nullable() });

export const doors = z.object({
  /** Whether the home network is to be listened on. */
  isOpen: z.boolean(),
  listening: z.array(z.object({ address: z.string(), url: z.string(), isSecure: z.boolean() })),
  /** Why not all is listened on, or what became of the list of devices. */
  trouble: z.string().nullable(),
  /** SHA-256 of the authority that the certificates come from. */
  fingerprint: z.string().nullable(),
  invite: z.object({ digits: z.string(), role, endsMs: instant, missed: z.number().int() }).nullable(),
  devices: z.array(z.object({ id: z.string(), name: z.string(), role, joinedAtMs: instant, lastSeenMs: instant, address: z.string() })),
  tokens: z.array(token),
});
export const madeToken = z.object({ token, secret: z.string() });

/** Who asks. */
export const me = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('machine') }),
  z.object({ kind: z.literal('device'), name: z.string(), role, isSecure: z.boolean() }),
  z.object({ kind: z.literal('token'), name: z.string() }),
]);
