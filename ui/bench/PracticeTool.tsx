'use client';
import { boilingC } from '@/core/heat/boiling';
import type { Home } from '@/core/kitchen/home';
import { PracticePot } from '../practice/PracticePot';
import { usePrint } from '../shell/facts';

/** A dyebath as most are: five litres on a plate of two kilowatts. */
const TASK = { litres: 5, vesselLitres: 8, maxW: 2000, bandC: [70, 80], ceilingC: 85, holdMin: 60 } as const;

/** Holding a temperature, practised on a pot that nobody's goods are in. */
export function PracticeTool({ home }: { readonly home: Home }) {
  const print = usePrint();
  return (
    <>
      <p className="quiet">
        {print.volume(TASK.litres * 1000)} in a pot of {print.volume(TASK.vesselLitres * 1000)}, on a plate of 2 kW: bring them to {print.band(TASK.bandC)},
        never above {print.temperature(TASK.ceilingC)}, and hold them there for an hour. Nothing of it is kept.
      </p>
      <PracticePot task={{ ...TASK, boilC: boilingC(home.altitudeM) }} />
    </>
  );
}
