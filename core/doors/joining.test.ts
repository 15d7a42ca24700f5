import { describe, expect, it } from 'vitest';
import { INVITE_TRIES, inviteEndsMs, isOpen, newInvite, tryDigits } from './joining';

const AT = Date.UTC(2026, 4, 2, 9);
const invite = newInvite('hands', AT, 0.042_195_9);

describe('six digits', () => {
  it('are always six, leading noughts included', () => {
    expect(invite.digits).toBe('042195');
    expect(newInvite('eyes', AT, 0).digits).toBe('000000');
    expect(newInvite('eyes', AT, 1 - Number.EPSILON).digits).toBe('999999');
  });

  it('let a device in for five minutes, typed with or without spaces', () => {
    expect(tryDigits(invite, '042195', AT)).toEqual({ kind: 'welcome', role: 'hands' });
    expect(tryDigits(invite, ' 042 195 ', inviteEndsMs(invite) - 1)).toEqual({ kind: 'welcome', role: 'hands' });
    expect(tryDigits(invite, '042195', AT + 5 * 60_000)).toEqual({ kind: 'closed' });
  });

  it('allow five tries, then even the right ones are too late', () => {
    let open = invite;
    for (let i = 0; i < INVITE_TRIES; i++) {
      const tried = tryDigits(open, '111111', AT + i);
      if (tried.kind !== 'wrong') throw new Error(`try ${i} was ${tried.kind}`);
      open = tried.invite;
    }
    expect(open.triesLeft).toBe(0);
    expect(tryDigits(open, '042195', AT + 10)).toEqual({ kind: 'closed' });
  });

  it('are not prolonged by a clock that is set back', () => {
    expect(isOpen(invite, AT - 86_400_000)).toBe(false);
  });

  it('nobody is let in without an invite', () => {
    expect(tryDigits(null, '', AT)).toEqual({ kind: 'closed' });
  });
});
