import { describe, expect, test } from 'vitest';
import type { Vessel } from '../kitchen/vessel';
import { buildPlan } from './buildPlan';
import type { ChainItem } from './draft';
import { HEAD, home, input, vessels, wool } from './plan.fixture';

const WAVE = { id: 'wave', name: 'Microwave', maxW: 800, kind: 'microwave', outdoors: false, dyeOnly: true } as const;
const cup = (id: string, litres: number): Vessel => ({
  id,
  name: id,
  kind: 'cup',
  litres,
  material: 'ceramic',
  heatProof: true,
  heatSourceId: 'wave',
  probeId: null,
  dyeOnly: true,
  order: 9,
  revision: 1,
});
const CUPS = ['cup1', 'cup2', 'cup3', 'cup4'].map((id) => cup(id, 0.35));
const way = (lotId: string, n: number): ChainItem => ({
  id: `c${n}`,
  methodId: 'plant-microwave',
  params: { cupG: 5, cupMl: 250, ratio: 1 },
  dyestuffId: 'weld',
  lotIds: [lotId],
});

/** Vessel of each step of the cups, in working order. */
function placed(dryG: readonly number[], kitchen: readonly Vessel[], withWave = true): (string | null)[] {
  const lots = dryG.map((g, i) => wool(`w${i}`, g));
  const { plan } = buildPlan(
    {
      ...input(lots, { chain: lots.map((lot, i) => way(lot.id, i)) }),
      vessels: [...kitchen],
      home: { ...home, heatSources: withWave ? [...home.heatSources, WAVE] : home.heatSources },
    },
    HEAD,
  );
  return (plan?.steps ?? []).map((step) => step.vesselId);
}

describe('a way of working by microwave', () => {
  test('four small lots take the four cups that stand in it, and no pot on a ring', () =>
    expect(new Set(placed([5, 5, 5, 5], [...vessels, ...CUPS]))).toEqual(new Set(['cup1', 'cup2', 'cup3', 'cup4'])));
  test('more than any cup in it holds is done in a pot', () => expect(placed([40], [...vessels, ...CUPS])).toEqual(['enamel8']));
  test('a kitchen without one does it on a ring', () => expect(placed([5], vessels, false)).toEqual(['enamel8']));
  test('what it would take is a cup for a cup’s worth, in the microwave, and a pot for more', () => {
    expect(placed([5], [])).toEqual(['needed:cup-0.5-heat']);
    expect(placed([40], [])).toEqual(['needed:pot-3-heat']);
  });
});
