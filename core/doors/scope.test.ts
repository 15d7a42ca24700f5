import { describe, expect, it } from 'vitest';
import { type Need, roleAllows, type Scope, scopeAllows } from './scope';

const KINDS = ['page', 'look', 'change', 'time', 'leave', 'doors'] as const;
const needs: readonly Need[] = [...KINDS.map((kind) => ({ kind })), { kind: 'readings', probeId: 'pot-1' }];
const allowedOf = (allows: (need: Need) => boolean): string[] => needs.filter(allows).map(({ kind }) => kind);

describe('what a device may do', () => {
  it('with eyes: look, and leave', () => expect(allowedOf((need) => roleAllows('eyes', need))).toEqual(['page', 'look', 'time', 'leave']));
  it('with hands: everything but who is let in', () =>
    expect(allowedOf((need) => roleAllows('hands', need))).toEqual(['page', 'look', 'change', 'time', 'leave', 'readings']));
});

describe('what a token opens', () => {
  const opens = (scope: Scope): string[] => allowedOf((need) => scopeAllows(scope, need));
  it('of a probe: its readings and the clock', () => expect(opens({ kind: 'probe', probeId: 'pot-1' })).toEqual(['time', 'readings']));
  it('of another probe: the clock alone', () => expect(opens({ kind: 'probe', probeId: 'pot-2' })).toEqual(['time']));
  it('to look: no change, no page', () => expect(opens({ kind: 'look' })).toEqual(['look', 'time']));
  it('of everything: never a page, never the doors', () => expect(opens({ kind: 'all' })).toEqual(['look', 'change', 'time', 'leave', 'readings']));
});
