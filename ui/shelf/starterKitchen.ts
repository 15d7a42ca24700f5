import type { VesselInput } from '@/contract/schemas';
import type { Home } from '@/core/plan/plan';

/** A kitchen to begin with, to be changed into one's own: what most home dyers say they have (common practice, no source). */
export function starterVessels(home: Home): VesselInput[] {
  const [first, second] = home.heatSources;
  const vessel = (name: string, order: number, more: Partial<VesselInput>): VesselInput => ({
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
  return [
    vessel('Big pot', 1, { litres: 12, heatSourceId: first?.id ?? null }),
    vessel('Small pot', 2, { litres: 6, heatSourceId: second?.id ?? first?.id ?? null }),
    vessel('Pail', 3, { kind: 'pail', litres: 10, material: 'plastic' }),
    vessel('Rinsing tub', 4, { kind: 'pail', litres: 15, material: 'plastic' }),
    vessel('Glass jar', 5, { kind: 'jar', litres: 2, material: 'glass' }),
    vessel('Work table', 6, { kind: 'table', material: 'wood' }),
    vessel('Drying line', 7, { kind: 'line', material: 'wood' }),
  ];
}
