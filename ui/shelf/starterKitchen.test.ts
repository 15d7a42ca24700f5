import { describe, expect, test } from 'vitest';
import { newVessel } from '@/contract/schemas';
import type { Home } from '@/core/kitchen/home';
import { starterVessels } from './starterKitchen';

const heat = (id: string) => ({ id, name: id, maxW: 1500, kind: 'hotplate' as const, outdoors: false });
const home = (heatSources: Home['heatSources']): Home => ({
  revision: 1,
  diary: { zone: 'UTC', wakeAt: '07:00', sleepAt: '22:30', away: [] },
  altitudeM: 0,
  scales: [],
  probes: [],
  circuitW: 3600,
  childrenOrPets: false,
  emergencyNumber: '',
  heatSources,
});

describe('a kitchen to begin with', () => {
  test.each([[[]], [[heat('left')]], [[heat('left'), heat('right')]]])('is taken by the contract as it is, whatever heat there is', (heatSources) => {
    const vessels = starterVessels(home(heatSources));
    for (const [i, vessel] of vessels.entries()) expect(newVessel.safeParse({ id: `v${i}`, ...vessel }).error, vessel.name).toBeUndefined();
    expect(new Set(vessels.map((vessel) => vessel.name)).size).toBe(vessels.length);
  });
  test('only the pots stand on heat; one hotplate is shared by both', () => {
    const onHeat = (sources: Home['heatSources']) =>
      starterVessels(home(sources)).flatMap((vessel) => (vessel.heatSourceId ? [[vessel.name, vessel.heatSourceId]] : []));
    expect(onHeat([heat('left'), heat('right')])).toEqual([
      ['Big pot', 'left'],
      ['Small pot', 'right'],
    ]);
    expect(onHeat([heat('left')])).toEqual([
      ['Big pot', 'left'],
      ['Small pot', 'left'],
    ]);
    expect(onHeat([])).toEqual([]);
  });
});
