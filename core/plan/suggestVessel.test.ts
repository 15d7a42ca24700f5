import { describe, expect, test } from 'vitest';
import type { Vessel, VesselKind } from '../kitchen/vessel';
import type { Place } from '../method/method';
import { vessels as kitchen } from './plan.fixture';
import { suggestVessel } from './suggestVessel';

const first = kitchen[0];
if (!first) throw new Error('an empty kitchen');
const vessel = (id: string, kind: VesselKind, litres: number | null, more: Partial<Vessel> = {}): Vessel => ({
  ...first,
  id,
  name: id,
  kind,
  litres,
  heatSourceId: null,
  probeId: null,
  ...more,
});
const hot = { heatSourceId: 'heat1' };
const suggested = (where: Place, waterMl: number | null, vessels: readonly Vessel[], taken: readonly string[] = [], bathIn: string | null = null) =>
  suggestVessel({ where }, { waterMl, dryFibreG: 100, plantG: 0 }, vessels, bathIn, taken)?.id ?? null;

describe('the right kind of vessel for each place', () => {
  const all = [
    vessel('pot', 'pot', 12, hot),
    vessel('pail', 'pail', 10),
    vessel('jar', 'jar', 3),
    vessel('tray', 'tray', 5),
    vessel('steamer', 'steamer', 8, hot),
    vessel('table', 'table', null),
    vessel('line', 'line', null),
  ];
  test.each<[Place, string]>([
    ['heated', 'pot'],
    ['any', 'pail'],
    ['jar', 'jar'],
    ['tray', 'tray'],
    ['steamer', 'steamer'],
    ['table', 'table'],
    ['line', 'line'],
  ])('%s: %s', (where, id) => expect(suggested(where, 2000, all)).toBe(id));
  test('“same” is the vessel the bath is in, and none when nobody knows it', () => {
    expect(suggested('same', 2000, all, [], 'tray')).toBe('tray');
    expect(suggested('same', 2000, all)).toBeNull();
  });
});

describe('among those of a kind', () => {
  test('the smallest that leaves head room', () => {
    const pots = [vessel('big', 'pot', 20, hot), vessel('middle', 'pot', 10, hot), vessel('small', 'pot', 4, hot)];
    expect(suggested('heated', 3500, pots)).toBe('middle');
    expect(suggested('heated', 2500, pots)).toBe('small');
  });
  test('none fits: the biggest, so that the plan shows by how far', () =>
    expect(suggested('heated', 50_000, [vessel('small', 'pot', 4, hot), vessel('big', 'pot', 20, hot)])).toBe('big'));
  test('heat only where there is heat', () => {
    expect(suggested('heated', 2000, [vessel('cold', 'pot', 12), vessel('hot', 'pot', 12, hot)])).toBe('hot');
    expect(suggested('heated', 2000, [vessel('cold', 'pot', 12)])).toBeNull();
  });
  test('cold work leaves the burner free', () => expect(suggested('any', 2000, [vessel('hot', 'pail', 10, hot), vessel('cold', 'pail', 10)])).toBe('cold'));
  test('a pot kept for dyeing before one shared with food', () =>
    expect(suggested('heated', 2000, [vessel('kitchen', 'pot', 8, { ...hot, dyeOnly: false }), vessel('dye', 'pot', 12, hot)])).toBe('dye'));
  test('the one used longest ago, so that two steps may stand side by side', () => {
    const pots = [vessel('a', 'pot', 12, hot), vessel('b', 'pot', 12, { heatSourceId: 'heat2' })];
    expect(suggested('heated', 2000, pots, ['a'])).toBe('b');
    expect(suggested('heated', 2000, pots, ['a', 'b'])).toBe('a');
  });
  test('an unknown bath fits anywhere; a vessel of unknown volume is the last resort', () => {
    expect(suggested('heated', null, [vessel('pot', 'pot', 4, hot)])).toBe('pot');
    expect(suggested('heated', 2000, [vessel('nobody knows', 'pot', null, hot)])).toBe('nobody knows');
  });
  test('an empty kitchen suggests nothing', () => expect(suggested('heated', 2000, [])).toBeNull());
});
