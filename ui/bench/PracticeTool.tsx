'use client';
import { boilingC } from '@/core/heat/boiling';
import type { Home } from '@/core/kitchen/home';
import { printDuration, printNumber } from '@/core/measure/print';
import { USUAL_TASK as TASK } from '@/core/rehearse/practice';
import { PracticePot } from '../practice/PracticePot';
import { usePrint } from '../shell/facts';

/** Holding a temperature, practised on a pot that nobody's goods are in. */
export function PracticeTool({ home }: { readonly home: Home }) {
  const print = usePrint();
  return (
    <>
      <p className="quiet">
        {print.volume(TASK.litres * 1000)} in a pot of {print.volume(TASK.vesselLitres * 1000)}, on a plate of {printNumber(TASK.maxW / 1000)} kW: bring them to{' '}
        {print.band(TASK.bandC)}, never above {print.temperature(TASK.ceilingC)}, and hold them there for {printDuration(TASK.holdMin)}. Nothing of it is kept.
      </p>
      <PracticePot task={{ ...TASK, boilC: boilingC(home.altitudeM) }} />
    </>
  );
}
