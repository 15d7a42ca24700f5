import { plainVessel } from '@/contract/plainVessel';
import type { HomeInput, LotInput, VesselInput } from '@/contract/schemas';
import type { StockInput } from '@/contract/shelf';
import { wallTime } from '@/core/time/zone';

const two = (value: number): string => String(value).padStart(2, '0');

/**
 * When the shed is awake: by day, or, when the demo is begun early or late, round its own hour, so that pots are on the heat whenever
 * somebody looks.
 */
function awakeRound(zone: string, nowMs: number): { readonly wakeAt: string; readonly sleepAt: string } {
  const { hour } = wallTime(nowMs, zone);
  if (hour >= 13 && hour < 20) return { wakeAt: '07:00', sleepAt: '22:30' };
  return { wakeAt: `${two((hour + 24 - 9) % 24)}:00`, sleepAt: `${two((hour + 6) % 24)}:30` };
}

/** A made-up dye shed by a tidal inlet. Everything here is invented. */
export const shedHome = (zone: string, nowMs: number): HomeInput => ({
  diary: { zone, ...awakeRound(zone, nowMs), away: [{ weekdays: [(wallTime(nowMs, zone).weekday + 3) % 7], from: '13:00', to: '17:00' }] },
  altitudeM: 4,
  scales: [
    { id: 'kitchen', name: 'Kitchen scale', readsToG: 1, mostG: 5000 },
    { id: 'pocket', name: 'Pocket scale', readsToG: 0.1, mostG: 500 },
  ],
  probes: [
    { id: 'probe-steel', name: 'Long probe' },
    { id: 'probe-enamel', name: 'Short probe' },
    { id: 'probe-big', name: 'Clip probe' },
  ],
  circuitW: 3600,
  childrenOrPets: false,
  emergencyNumber: '',
  heatSources: [
    { id: 'heat1', name: 'Big hotplate', maxW: 2000, kind: 'hotplate', outdoors: false },
    { id: 'heat2', name: 'Small hotplate', maxW: 1500, kind: 'hotplate', outdoors: false },
  ],
});

const vessel = (name: string, order: number, litres: number | null, more: Partial<VesselInput>) => plainVessel(name, order, { litres, ...more });
export const SHED_VESSELS: Readonly<Record<string, VesselInput>> = {
  steel: vessel('Steel pot', 1, 12, { heatSourceId: 'heat1', probeId: 'probe-steel' }),
  enamel: vessel('Enamel pot', 2, 8, { heatSourceId: 'heat2', material: 'enamel', probeId: 'probe-enamel' }),
  big: vessel('Big pot', 3, 20, { heatSourceId: 'heat1', probeId: 'probe-big' }),
  pail: vessel('Grey pail', 4, 10, { kind: 'pail', material: 'plastic' }),
  tub: vessel('Rinse tub', 5, 25, { kind: 'pail', material: 'plastic' }),
  tall: vessel('Tall jar', 11, 2, { kind: 'jar', material: 'glass' }),
  jar: vessel('Sun jar', 6, 3, { kind: 'jar', material: 'glass' }),
  tray: vessel('Enamel tray', 7, 4, { kind: 'tray', material: 'enamel' }),
  steamer: vessel('Fish steamer', 8, 9, { kind: 'steamer', heatSourceId: 'heat2' }),
  table: vessel('Work table', 9, null, { kind: 'table', material: 'wood' }),
  line: vessel('Line under the eaves', 10, null, { kind: 'line', material: 'wood' }),
};

const lot = (name: string, more: Partial<LotInput>): LotInput => ({
  name,
  form: 'skein',
  composition: [{ fibre: 'wool', pct: 100 }],
  finishes: [],
  dryWeightG: { state: 'unknown' },
  weightFrom: null,
  pieces: 1,
  baseHex: null,
  note: '',
  ...more,
});
export const SHED_LOTS: Readonly<Record<string, LotInput>> = {
  gotland: lot('Gotland lamb, three skeins', {
    dryWeightG: { state: 'measured', value: 152 },
    pieces: 3,
    baseHex: '#e3ded2',
    note: 'Two-ply, a little uneven.',
  }),
  noil: lot('Peace-silk noil', { form: 'cloth', composition: [{ fibre: 'silk', pct: 100 }], dryWeightG: { state: 'measured', value: 84 }, baseHex: '#efe6cf' }),
  jersey: lot('Hemp jersey', {
    form: 'cloth',
    composition: [{ fibre: 'hemp', pct: 100 }],
    finishes: ['sized'],
    dryWeightG: { state: 'measured', value: 220 },
    baseHex: '#e9e2cc',
  }),
  cord: lot('Ramie cord', { form: 'cord', composition: [{ fibre: 'ramie', pct: 100 }], dryWeightG: { state: 'estimated', value: 60 }, baseHex: '#f0ebdd' }),
  towels: lot('Linen and viscose towels', {
    form: 'cloth',
    composition: [
      { fibre: 'linen', pct: 55 },
      { fibre: 'viscose', pct: 45 },
    ],
    dryWeightG: { state: 'measured', value: 410 },
    pieces: 4,
    finishes: ['bleached'],
    baseHex: '#f3efe4',
  }),
  warp: lot('Hemp warp, two hanks', {
    composition: [{ fibre: 'hemp', pct: 100 }],
    dryWeightG: { state: 'measured', value: 130 },
    pieces: 2,
    baseHex: '#ddd3ba',
  }),
  singles: lot('Blanket singles', { dryWeightG: { state: 'measured', value: 240 }, pieces: 4, baseHex: '#e0d9c8' }),
  scarf: lot('Silk scarf', {
    form: 'cloth',
    composition: [{ fibre: 'silk', pct: 100 }],
    dryWeightG: { state: 'measured', value: 38 },
    baseHex: '#f1ead8',
    note: 'Mordant left out on purpose: for the jar.',
  }),
  bag: lot('Bag without a label', { composition: [], finishes: null, note: 'Found behind the drying rack. Feels like wool; maybe it has been in alum.' }),
};

/** A ribbon nobody weighed: its size says what it weighs. */
export const RIBBON: LotInput = lot('Silk ribbon, moon grey', {
  form: 'ribbon',
  composition: [{ fibre: 'silk', pct: 100 }],
  dryWeightG: { state: 'estimated', value: 3.6 },
  weightFrom: { kind: 'cloth', widthCm: 2.5, lengthCm: 400, pieces: 1, gPerM2: 36 },
  baseHex: '#cfcfcb',
});
/** A cone from which three skeins are wound. */
export const CONE: LotInput = lot('Gotland singles on a cone', {
  form: 'cone',
  dryWeightG: { state: 'measured', value: 90 },
  baseHex: '#d8d2c4',
  note: 'For three colours from one bath: alum, iron, none.',
});

const stock = (substance: string, g: number, place: string, more: Partial<StockInput> = {}): Omit<StockInput, 'countedAtMs'> => ({
  substance,
  form: null,
  label: null,
  amount: { state: 'measured', value: g },
  unit: 'g',
  place,
  source: '',
  pricePerUnit: null,
  ownBulkGPerMl: null,
  note: '',
  ...more,
});
export const SHED_STOCK: Readonly<Record<string, Omit<StockInput, 'countedAtMs'>>> = {
  alum: stock('alum', 640, 'blue tin, lower shelf', { label: 'crystals', pricePerUnit: 0.012 }),
  tartar: stock('creamOfTartar', 180, 'blue tin, lower shelf', { pricePerUnit: 0.02 }),
  iron: stock('ironSulfate', 95, 'locked box', { label: 'hepta', pricePerUnit: 0.008 }),
  acetate: stock('aluminiumAcetate', 12, 'blue tin, lower shelf', { label: 'dibasic', pricePerUnit: 0.06 }),
  soda: stock('sodaAsh', 900, 'under the sink', { label: 'dry', pricePerUnit: 0.004, ownBulkGPerMl: 1.06 }),
  vinegar: stock('vinegar', 2000, 'under the sink', { unit: 'mL', label: 's5', pricePerUnit: 0.001 }),
  scour: stock('scourLiquid', 450, 'under the sink', { unit: 'mL' }),
  weld: stock('weld', 3800, 'hanging, north wall', { form: 'fresh', source: 'own bed, cut at first flower' }),
  dock: stock('dockRoot', 150, 'paper bag', { form: 'dried', source: 'path edge, dug in autumn', amount: { state: 'estimated', value: 150 } }),
  alder: stock('alderCones', 900, 'crate by the door', { form: 'dried', source: 'path edge, gathered in winter' }),
  hollyhock: stock('hollyhock', 60, 'paper bag', { form: 'dried', source: 'own bed, dark petals' }),
};
