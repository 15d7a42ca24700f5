import { describe, expect, test } from 'vitest';
import type { Vessel } from '../kitchen/vessel';
import { METHODS } from '../method/library';
import type { Method } from '../method/method';
import { buildPlan } from './buildPlan';
import type { ChainItem } from './draft';
import { draft, HEAD, home, keptLiquor, vessels, wool } from './plan.fixture';

/** A kitchen that lacks nothing (invented). */
const vessel = (id: string, order: number, kind: Vessel['kind'], litres: number | null, more: Partial<Vessel> = {}): Vessel => ({
  id,
  name: id,
  kind,
  litres,
  material: 'plastic',
  heatProof: false,
  heatSourceId: null,
  probeId: null,
  dyeOnly: true,
  order,
  revision: 1,
  ...more,
});
const kitchen: Vessel[] = [
  ...vessels,
  vessel('tub25', 10, 'pail', 25),
  vessel('pail5', 11, 'pail', 5),
  vessel('jar3', 12, 'jar', 3, { material: 'glass' }),
  vessel('tray', 13, 'tray', 6, { material: 'stainless' }),
  vessel('steamer', 14, 'steamer', 8, { material: 'stainless', heatSourceId: 'heat2' }),
  vessel('cup', 15, 'cup', 0.4, { material: 'ceramic', heatSourceId: 'wave' }),
  vessel('table', 16, 'table', null),
];
const wave = { id: 'wave', name: 'microwave', maxW: 800, kind: 'microwave', outdoors: false, dyeOnly: true } as const;

/** What the labels on the packets say: the recipe’s own forms. */
const LABELS = {
  vinegar: 's5',
  ironSulfate: 'hepta',
  aluminiumAcetate: 'dibasic',
  alum: 'crystals',
  sodaAsh: 'dry',
  washingSoda: 'deca',
  ammonia: 's3',
  copperSulfate: 'penta',
  bakingSoda: 'pure',
  chalk: 'pure',
  citricAcid: 'dry',
  ironLiquor: 'home',
};

const item = (id: string, methodId: string, more: Partial<ChainItem> = {}): ChainItem => ({ id, methodId, params: {}, dyestuffId: null, ...more });

/** A chain in which the method stands where people use it. */
function chainFor(method: Method): ChainItem[] {
  const step = method.steps[0];
  const needs = step?.liquor === 'keeps' || step?.liquor === 'uses';
  const brings = method.steps.some((one) => one.liquor === 'brings');
  const plant = method.steps.some((one) => one.additions.some((rule) => rule.rule === 'ratio' || ('substance' in rule && rule.substance === 'dyestuff')));
  const own = item('own', method.id, { dyestuffId: plant ? 'weld' : null, ...(brings ? { liquorId: 'kept' } : {}) });
  if (!needs) return [own];
  const extract = item('ex', 'extract-fresh', { dyestuffId: 'weld' });
  if (method.id === 'strain') return [extract, own];
  const strained = [extract, item('st', 'strain')];
  return step?.lots === 'in' && step.liquor === 'keeps' ? [...strained, item('dy', 'dyebath'), own] : [...strained, own];
}

/** What holds for the stuff or the work as such, however it is planned: people’s hazards, days of warm and wet, iron at its known price. */
const AS_SUCH: Readonly<Record<string, readonly string[]>> = {
  R3: ['iron-mordant'],
  R4: ['metal-test'],
  // Hours on the heat, as barks, hulls, pits and thorough mordants want it: more than a tenth of the bath goes (safety handbook R16, a caution).
  R16: [
    'tannin-boil',
    'extract-waxy',
    'extract-hard',
    'extract-hull',
    'extract-general',
    'extract-draws',
    'extract-skins',
    'alum-10',
    'alum-tartar',
    'alum-16',
    'alum-rescue',
    'dyebath-long',
  ],
  R17: ['bundle-steam'],
  R18: ['bundle-steam'],
  R27: ['tea-microwave', 'plant-microwave'],
  R29: ['bundle-cold', 'solar-jar', 'jar-again'],
  X10: ['iron-paste'],
  P9: ['tea-microwave', 'plant-microwave', 'dye-low-immersion', 'extract-blossom'],
};
/** For plant fibre: what is scoured or mordanted so would harm wool. */
const FOR_PLANT_FIBRE = ['scour-cellulose', 'al-acetate'];

describe('a plan of our own methods with their own figures raises no care that it could have avoided', () => {
  test.each(METHODS.map((method) => [method.id, method] as const))('%s', (id, method) => {
    const lot = { ...wool('a', 100), ...(FOR_PLANT_FIBRE.includes(id) ? { composition: [{ fibre: 'cotton' as const, pct: 100 }] } : {}) };
    const built = buildPlan(
      {
        draft: draft(['a'], { chain: chainFor(method), labels: LABELS }),
        lots: [lot],
        vessels: kitchen,
        home: { ...home, heatSources: [...home.heatSources, wave] },
        liquors: [keptLiquor],
      },
      HEAD,
    );
    expect(built.problems).toEqual([]);
    const cares = (built.plan?.findings ?? []).filter(
      // An extraction that stands alone is kept for later.
      (finding) => finding.severity !== 'note' && finding.rule !== 'bath' && !AS_SUCH[finding.rule]?.includes(id),
    );
    expect(cares.map((finding) => `${finding.rule} ${finding.stepId}: ${finding.text}`)).toEqual([]);
  });
});
