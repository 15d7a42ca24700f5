import type { HomeInput, LotInput, VesselInput } from '@/contract/schemas';

/** A made-up dye shed by a tidal inlet. Everything here is invented. */
export const shedHome = (zone: string): HomeInput => ({
  diary: { zone, wakeAt: '07:00', sleepAt: '22:30', away: [{ weekdays: [3], from: '13:00', to: '17:00' }] },
  altitudeM: 4,
  scaleG: 0.1,
  emergencyNumber: '',
  heatSources: [
    { id: 'heat1', name: 'Big hotplate', maxW: 2000 },
    { id: 'heat2', name: 'Small hotplate', maxW: 1500 },
  ],
});

const vessel = (name: string, order: number, litres: number | null, more: Partial<VesselInput>): VesselInput => ({
  name,
  kind: 'pot',
  litres,
  material: 'stainless',
  heatSourceId: null,
  probeId: null,
  dyeOnly: true,
  order,
  ...more,
});
export const SHED_VESSELS: Readonly<Record<string, VesselInput>> = {
  steel: vessel('Steel pot', 1, 12, { heatSourceId: 'heat1', probeId: 'probe-steel' }),
  enamel: vessel('Enamel pot', 2, 8, { heatSourceId: 'heat2', material: 'enamel', probeId: 'probe-enamel' }),
  big: vessel('Big pot', 3, 20, { heatSourceId: 'heat1', probeId: 'probe-big' }),
  pail: vessel('Grey pail', 4, 10, { kind: 'pail', material: 'plastic' }),
  tub: vessel('Rinse tub', 5, 25, { kind: 'pail', material: 'plastic' }),
  line: vessel('Line under the eaves', 6, null, { kind: 'line', material: 'wood' }),
};

const lot = (name: string, more: Partial<LotInput>): LotInput => ({
  name,
  form: 'skein',
  composition: [{ fibre: 'wool', pct: 100 }],
  dryWeightG: { state: 'unknown' },
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
  jersey: lot('Hemp jersey', { form: 'cloth', composition: [{ fibre: 'hemp', pct: 100 }], dryWeightG: { state: 'measured', value: 220 }, baseHex: '#e9e2cc' }),
  cord: lot('Ramie cord', { form: 'cord', composition: [{ fibre: 'ramie', pct: 100 }], dryWeightG: { state: 'estimated', value: 60 }, baseHex: '#f0ebdd' }),
  towels: lot('Linen and viscose towels', {
    form: 'cloth',
    composition: [
      { fibre: 'linen', pct: 55 },
      { fibre: 'viscose', pct: 45 },
    ],
    dryWeightG: { state: 'measured', value: 410 },
    pieces: 4,
    baseHex: '#f3efe4',
  }),
  bag: lot('Bag without a label', { composition: [], note: 'Found behind the drying rack. Feels like wool; maybe it has been in alum.' }),
};
