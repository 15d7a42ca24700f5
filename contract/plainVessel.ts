import type { VesselInput } from './schemas';

/** A vessel as most are: a stainless pot for dyes alone, on no hotplate, unless told otherwise. */
export const plainVessel = (name: string, order: number, more: Partial<VesselInput>): VesselInput => ({
  name,
  kind: 'pot',
  litres: null,
  material: 'stainless',
  heatProof: false,
  heatSourceId: null,
  probeId: null,
  dyeOnly: true,
  order,
  ...more,
});
