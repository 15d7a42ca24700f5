import { describe, expect, it } from 'vitest';
import { codeOf, inviteEndsMs, isOpen, newInvite, SHORT_TRIES, tryDigits } from './joining';

const AT = Date.UTC(2026, 4, 2, 9);
const invite = newInvite('hands', AT, [0.042_195_9, 0.5]);

describe('six digits', () => {
  it('are always six, leading noughts included', () => {
    expect(codeOf(invite)).toBe('042195');
    expect(codeOf(newInvite('eyes', AT, [0, 0]))).toBe('000000');
    expect(codeOf(newInvite('eyes', AT, [1 - Number.EPSILON, 0]))).toBe('999999');
  });

  it('let a device in for five minutes, typed with or without spaces', () => {
    expect(tryDigits(invite, '042195', AT)).toEqual({ kind: 'welcome', role: 'hands' });
    expect(tryDigits(invite, ' 042 195 ', inviteEndsMs(invite) - 1)).toEqual({ kind: 'welcome', role: 'hands' });
    expect(tryDigits(invite, '042195', AT + 5 * 60_000)).toEqual({ kind: 'closed' });
  });

  it('become twelve after five wrong tries of anybody, and no number of tries ends them', () => {
    let open = invite;
    for (let i = 0; i < 500; i++) {
      const tried = tryDigits(open, i < SHORT_TRIES ? '111111' : String(i).padStart(12, '1'), AT + i);
      if (tried.kind !== 'wrong') throw new Error(`try ${i} was ${tried.kind}`);
      open = tried.invite;
      expect(codeOf(open)).toHaveLength(i + 1 < SHORT_TRIES ? 6 : 12);
    }
    expect(tryDigits(open, '042195', AT + 600)).toMatchObject({ kind: 'wrong' });
    expect(tryDigits(open, '042195 500000', AT + 600)).toEqual({ kind: 'welcome', role: 'hands' });
  });

  it('are not prolonged by a clock that is set back', () => {
    expect(isOpen(invite, AT - 86_400_000)).toBe(false);
  });

  it('nobody is let in without an invite', () => {
    expect(tryDigits(null, '', AT)).toEqual({ kind: 'closed' });
  });
});
