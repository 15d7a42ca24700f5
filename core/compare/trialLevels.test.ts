import { describe, expect, test } from 'vitest';
import { foldPassport, type Passport, type Treatment } from '../fibre/passport';
import { METHODS } from '../method/library';
import { STARTER } from '../shelf/library';
import { readStepPick, stepPick, trialLevels } from './trialLevels';

const known = { methods: METHODS, dyestuffs: STARTER.dyestuffs, nameOf: STARTER.nameOf };
const entry = (kind: Treatment['kind'], substance: string, pct: number | null, more: Partial<Treatment> = {}): Treatment => ({
  id: `${kind}-${substance}`,
  kind,
  substance,
  certainty: 'known',
  wofPct: pct === null ? { state: 'unknown' } : { state: 'measured', value: pct },
  atMs: 0,
  note: '',
  from: { hand: true },
  ...more,
});
const past = (...treatments: Treatment[]): Passport => foldPassport(treatments);
const alum = (pct: number | null) => entry('mordant', 'potash alum', pct);
const change = (what: string) => ({ what, levels: ['one', 'other'] as const });

describe('a difference as levels that a session can do', () => {
  test('a mordant by its nearest method, with the percent that was really used', () => {
    expect(trialLevels(change('mordant'), past(alum(10)), past(alum(15)), known)).toEqual({ kind: 'mordant', picks: ['alum-10', 'alum-16|alumPct=15'] });
    expect(readStepPick('alum-16|alumPct=15')).toEqual({ methodId: 'alum-16', params: { alumPct: 15 } });
    expect(readStepPick(stepPick('alum-10', null, 10))).toEqual({ methodId: 'alum-10', params: {} });
  });
  test('minutes, strengths and plants', () => {
    const weld = (pct: number, inMin?: number) => entry('dye', 'weld', pct, inMin === undefined ? {} : { how: { inMin } });
    expect(trialLevels(change('in the bath'), past(weld(100, 45)), past(weld(100, 60.4)), known)).toEqual({ kind: 'minutes', picks: ['45', '60'] });
    expect(trialLevels(change('dye'), past(weld(50)), past(weld(100)), known)).toEqual({ kind: 'strength', picks: ['0.5', '1'] });
    const madder = entry('dye', 'madder', 100);
    expect(trialLevels(change('dye'), past(weld(100)), past(madder), known)).toEqual({ kind: 'dyestuff', picks: ['weld', 'madder'] });
    expect(trialLevels(change('dye'), past(weld(50)), past(madder), known).kind).toBe('other');
  });
  test('what is not known well enough stays words', () => {
    expect(trialLevels(change('mordant'), past(alum(null)), past(alum(15)), known)).toEqual({ kind: 'other', picks: ['one', 'other'] });
    expect(trialLevels(change('preparation'), past(), past(), known).kind).toBe('other');
  });
});
