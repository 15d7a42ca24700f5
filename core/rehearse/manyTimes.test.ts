import { expect, test } from 'vitest';
import { seededChance } from '../chance';
import { planned, SATURDAY_9, wool } from '../plan/plan.fixture';
import { type MANNERS, reportOf, type Tried, tryOut } from './manyTimes';

const plan = planned([wool('a', 100)]);
const many = (manner: (typeof MANNERS)[number], times = 20) => {
  const chance = seededChance(7);
  return Array.from({ length: times }, () => tryOut(plan, manner, chance));
};

test('a careful dyer holds what is held and stays below ceilings; a forgetful one does not', () => {
  const careful = reportOf(plan, many('careful'));
  expect(careful.troubles.filter(({ kind }) => kind === 'hold' || kind === 'ceiling')).toEqual([]);
  const forgetful = reportOf(plan, many('forgetful'));
  const [hold, ceiling] = (['hold', 'ceiling'] as const).map((kind) => forgetful.troubles.find((trouble) => trouble.kind === kind));
  expect(hold).toBeDefined();
  expect(ceiling).toBeDefined();
  for (const trouble of forgetful.troubles) expect(trouble.times).toBeLessThanOrEqual(20);
  expect(forgetful.cleanTimes).toBeLessThan(careful.cleanTimes + 1);
});

test('who comes late works into the night where the plan has no room; who is punctual does not', () => {
  // Begun on a Saturday at three in the afternoon, the dyebath is done just before bedtime.
  const tight = planned([wool('a', 100)], { startMs: SATURDAY_9 + 6 * 3_600_000 });
  const nights = (manner: (typeof MANNERS)[number]) => {
    const chance = seededChance(7);
    const tried = Array.from({ length: 20 }, () => tryOut(tight, manner, chance));
    return reportOf(tight, tried).troubles.filter(({ kind }) => kind === 'away');
  };
  expect(nights('careful')).toEqual([]);
  const [dye] = nights('late').filter(({ stepId }) => stepId === 'c5-dye');
  expect(dye).toMatchObject({ times: 20 });
  // Forty minutes late at the bath, and later before it: an hour and more past bedtime.
  expect(dye?.kind === 'away' && dye.worst).toBeGreaterThan(40);
});

test('the same dyer twice is the same twice', () => expect(reportOf(plan, many('late', 5))).toEqual(reportOf(plan, many('late', 5))));

test('a report counts by step, worst first, and tells how far in nine of ten', () => {
  const one = (shortMin: number, more: Partial<Tried> = {}): Tried => ({
    shortMin: new Map(shortMin > 0 ? [['c5-dye', shortMin]] : []),
    overK: new Map(),
    awayMin: new Map(),
    clashes: new Set(),
    endMs: 0,
    ...more,
  });
  const tried = [...Array.from({ length: 10 }, (_, i) => one(i + 1)), one(0, { clashes: new Set(['c1-scour|c5-dye']) }), one(0)];
  expect(reportOf(plan, tried)).toMatchObject({
    times: 12,
    cleanTimes: 1,
    troubles: [
      { kind: 'hold', stepId: 'c5-dye', times: 10, worst: 10 },
      { kind: 'clash', stepId: 'c1-scour', otherId: 'c5-dye', times: 1 },
    ],
  });
});
