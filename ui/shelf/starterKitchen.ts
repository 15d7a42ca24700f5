import { plainVessel } from '@/contract/plainVessel';
import type { VesselInput } from '@/contract/schemas';
import type { Home } from '@/core/kitchen/home';

/** A kitchen to begin with, to be changed into one's own: what most home dyers say they have (common practice, no source). */
export function starterVessels(home: Home): VesselInput[] {
  const [first, second] = home.heatSources;
  return [
    plainVessel('Big pot', 1, { litres: 12, heatSourceId: first?.id ?? null }),
    plainVessel('Small pot', 2, { litres: 6, heatSourceId: second?.id ?? first?.id ?? null }),
    plainVessel('Pail', 3, { kind: 'pail', litres: 10, material: 'plastic' }),
    plainVessel('Rinsing tub', 4, { kind: 'pail', litres: 15, material: 'plastic' }),
    plainVessel('Glass jar', 5, { kind: 'jar', litres: 2, material: 'glass' }),
    plainVessel('Work table', 6, { kind: 'table', material: 'wood' }),
    plainVessel('Drying line', 7, { kind: 'line', material: 'wood' }),
  ];
}
