export const ROLES = ['hands', 'eyes'] as const;
/** `hands` may do every act, `eyes` look only. */
export type Role = (typeof ROLES)[number];

export const INVITE_MIN = 5;
/** Wrong tries, of whoever, after which the code grows. */
export const SHORT_TRIES = 5;
export const SHORT_DIGITS = 6;
export const LONG_DIGITS = 12;

/** A code that is shown on the machine alone: one device joins by it. */
export interface Invite {
  /** All of them; the first six are enough as long as nobody guesses. */
  readonly digits: string;
  readonly role: Role;
  readonly madeAtMs: number;
  readonly missed: number;
}

/** @param random two numbers from 0 (included) to 1, of a source nobody can guess */
export const newInvite = (role: Role, nowMs: number, random: readonly [number, number]): Invite => ({
  digits: random.map((one) => String(Math.floor(one * 10 ** SHORT_DIGITS)).padStart(SHORT_DIGITS, '0')).join(''),
  role,
  madeAtMs: nowMs,
  missed: 0,
});

/**
 * What has to be typed. Six digits can be typed at once, and five tries at them are one chance in 200,000. Ending the code there would
 * let anybody in the network keep everybody out; twelve digits cannot be guessed in five minutes, so they need no end.
 */
export const codeOf = ({ digits, missed }: Invite): string => (missed < SHORT_TRIES ? digits.slice(0, SHORT_DIGITS) : digits);

export const inviteEndsMs = (invite: Invite): number => invite.madeAtMs + INVITE_MIN * 60_000;

/** Open while its minutes last; a clock set back ends it rather than prolonging it. */
export const isOpen = (invite: Invite, nowMs: number): boolean => nowMs >= invite.madeAtMs && nowMs < inviteEndsMs(invite);

export type Tried =
  /** The invite is used up by it. */
  { readonly kind: 'welcome'; readonly role: Role } | { readonly kind: 'wrong'; readonly invite: Invite } | { readonly kind: 'closed' };

/** @param typed what was typed, with or without spaces between */
export function tryDigits(invite: Invite | null, typed: string, nowMs: number): Tried {
  if (!invite || !isOpen(invite, nowMs)) return { kind: 'closed' };
  if (typed.replace(/\s/g, '') === codeOf(invite)) return { kind: 'welcome', role: invite.role };
  return { kind: 'wrong', invite: { ...invite, missed: invite.missed + 1 } };
}
