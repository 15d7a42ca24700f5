export const ROLES = ['hands', 'eyes'] as const;
/** `hands` may do every act, `eyes` look only. */
export type Role = (typeof ROLES)[number];

export const INVITE_MIN = 5;
export const INVITE_TRIES = 5;
export const INVITE_DIGITS = 6;

/** Six digits, shown on the machine alone: one device joins by them. */
export interface Invite {
  readonly digits: string;
  readonly role: Role;
  readonly madeAtMs: number;
  readonly triesLeft: number;
}

/** @param random from 0 (included) to 1, of a source nobody can guess */
export const newInvite = (role: Role, nowMs: number, random: number): Invite => ({
  digits: String(Math.floor(random * 10 ** INVITE_DIGITS)).padStart(INVITE_DIGITS, '0'),
  role,
  madeAtMs: nowMs,
  triesLeft: INVITE_TRIES,
});

export const inviteEndsMs = (invite: Invite): number => invite.madeAtMs + INVITE_MIN * 60_000;

/** Open while its minutes and its tries last; a clock set back ends it rather than prolonging it. */
export const isOpen = (invite: Invite, nowMs: number): boolean => nowMs >= invite.madeAtMs && nowMs < inviteEndsMs(invite) && invite.triesLeft > 0;

export type Tried =
  /** The invite is used up by it. */
  { readonly kind: 'welcome'; readonly role: Role } | { readonly kind: 'wrong'; readonly invite: Invite } | { readonly kind: 'closed' };

/** @param typed what was typed, with or without spaces between */
export function tryDigits(invite: Invite | null, typed: string, nowMs: number): Tried {
  if (!invite || !isOpen(invite, nowMs)) return { kind: 'closed' };
  if (typed.replace(/\s/g, '') === invite.digits) return { kind: 'welcome', role: invite.role };
  return { kind: 'wrong', invite: { ...invite, triesLeft: invite.triesLeft - 1 } };
}
