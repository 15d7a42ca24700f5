import type { Lot } from '../fibre/lot';
import { measured, UNKNOWN } from '../figure';
import type { Home } from '../kitchen/home';
import type { Vessel } from '../kitchen/vessel';
import type { Liquor } from '../liquor/liquor';
import { LIBRARY } from '../method/library';
import { zonedMs } from '../time/zone';
import { buildPlan, type PlanInput } from './buildPlan';
import type { ChainItem, Draft } from './draft';
import type { Plan } from './plan';

/** A small invented kitchen and chain for tests of plans and runs. */
export const ZONE = 'Europe/Berlin';
export const SATURDAY_9 = zonedMs(ZONE, 2026, 6, 6, 9);

export const home: Home = {
  diary: { zone: ZONE, wakeAt: '07:00', sleepAt: '22:30', away: [{ weekdays: [1, 2, 3, 4, 5], from: '08:30', to: '17:00' }] },
  altitudeM: 0,
  scales: [{ id: 'scale1', name: 'Scale', readsToG: 0.1, mostG: null }],
  probes: [{ id: 'probe1', name: 'Probe' }],
  circuitW: null,
  childrenOrPets: false,
  emergencyNumber: '',
  revision: 1,
  heatSources: [
    { id: 'heat1', name: 'heat 1', maxW: 2000, kind: 'hotplate', outdoors: false },
    { id: 'heat2', name: 'heat 2', maxW: 1500, kind: 'hotplate', outdoors: false },
  ],
};

const vessel = (id: string, order: number, litres: number | null, more: Partial<Vessel> = {}): Vessel => ({
  id,
  name: id,
  kind: 'pot',
  litres,
  material: 'stainless',
  heatProof: false,
  heatSourceId: null,
  probeId: null,
  dyeOnly: true,
  order,
  revision: 1,
  ...more,
});
export const vessels: Vessel[] = [
  vessel('steel12', 1, 12, { heatSourceId: 'heat1', probeId: 'probe1' }),
  vessel('enamel8', 2, 8, { heatSourceId: 'heat2', material: 'enamel' }),
  vessel('pail10', 3, 10, { kind: 'pail', material: 'plastic' }),
  vessel('line', 4, null, { kind: 'line', material: 'wood' }),
];

export const wool = (id: string, dryG: number | null): Lot => ({
  id,
  name: `Wool ${id}`,
  form: 'skein',
  composition: [{ fibre: 'wool', pct: 100 }],
  dryWeightG: dryG === null ? UNKNOWN : measured(dryG),
  finishes: [],
  weightFrom: null,
  from: [],
  ended: null,
  pieces: 1,
  baseHex: '#e8e2d2',
  note: '',
  createdAtMs: 0,
  revision: 1,
});

const item = (id: string, methodId: string, more: Partial<ChainItem> = {}): ChainItem => ({ id, methodId, params: {}, dyestuffId: null, ...more });
export const CHAIN: ChainItem[] = [
  item('c1', 'scour-protein'),
  item('c2', 'alum-10'),
  item('c3', 'extract-fresh', { dyestuffId: 'weld' }),
  item('c4', 'strain'),
  item('c5', 'dyebath'),
  item('c6', 'rest-overnight'),
  item('c7', 'rinse'),
  item('c8', 'dry'),
];

export const draft = (lotIds: string[], more: Partial<Draft> = {}): Draft => ({
  name: 'Weld skeins',
  startMs: SATURDAY_9,
  lotIds,
  chain: CHAIN,
  vessels: {},
  overrules: {},
  pins: {},
  reasons: {},
  ...more,
});

export const HEAD = { sessionId: 's1', version: 1, reason: 'first plan', createdAtMs: SATURDAY_9 };
export const input = (lots: Lot[], more: Partial<Draft> = {}): PlanInput => ({
  draft: draft(
    lots.map((lot) => lot.id),
    more,
  ),
  lots,
  vessels,
  home,
});

export function planned(lots: Lot[], more: Partial<Draft> = {}, kitchen: Partial<PlanInput> = {}): Plan {
  const built = buildPlan({ ...input(lots, more), ...kitchen }, HEAD);
  if (!built.plan) throw new Error(JSON.stringify(built.problems));
  return built.plan;
}

export function step(plan: Plan, kind: string) {
  const found = plan.steps.find((s) => s.kind === kind);
  if (!found) throw new Error(`no ${kind} step`);
  return found;
}

/** What somebody writes down of a weld liquor kept in the fridge since the day before, measured and labelled. */
export const writtenLiquor = {
  name: 'kept weld',
  dyestuffId: 'weld',
  volumeMl: measured(3000),
  ph: null,
  madeAtMs: SATURDAY_9 - 86_400_000,
  keptIn: 'fridge',
  place: '',
  uses: 1,
  spoilByMs: null,
  labelled: true,
  note: '',
  from: null,
} as const;
/** Whether a method of the library begins with a bath that was kept. */
export const bringsKept = (methodId: string): boolean => LIBRARY.find(methodId)?.steps.some(({ liquor }) => liquor === 'brings') ?? false;
export const keptLiquor: Liquor = { ...writtenLiquor, id: 'kept', revision: 1, retired: false };
