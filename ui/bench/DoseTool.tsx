'use client';
import { liquorVolume, scaleAmount, wofDose } from '@/core/dose/dose';
import { stockSolution, stockText } from '@/core/dose/solutions';
import type { Home } from '@/core/kitchen/home';
import { scaleFor } from '@/core/kitchen/scale';
import { percentReadings } from '@/core/measure/percent';
import { printNumber } from '@/core/measure/print';
import { massReader } from '../form/typed';
import { Caution } from '../shell/Findings';
import { usePrint } from '../shell/facts';
import { Answer, Ask, Result } from './parts';
import { above0, asked, plain } from './read';
import type { Address } from './useAddress';

/** Percent of the fibre, beside the same figure as a solution; water by liquor ratio; a recipe scaled. */
export function DoseTool({ address, home }: { address: Address; home: Home }) {
  const print = usePrint();
  const mass = above0(massReader(print.measures));
  const dry = asked(address, 'fibre', '250 g', mass);
  const pct = asked(address, 'pct', '10', plain());
  const ratio = asked(address, 'liquor', '30', plain());
  const amount = asked(address, 'amount', '', mass);
  const from = asked(address, 'from', '', mass);
  const dose = wofDose(dry.value, pct.value);
  const water = liquorVolume(dry.value, ratio.value);
  const readings = pct.value === null ? null : percentReadings(pct.value, dry.value, water.result);
  const scale = dose.result === null ? null : scaleFor(home.scales, dose.result);
  const stock = scale && dose.result !== null ? stockSolution(dose.result, scale.readsToG) : null;
  const scaled = amount.value === null ? null : scaleAmount(amount.value, from.value, dry.value);
  return (
    <>
      <div className="fields">
        <Ask {...dry.field} label="Dry fibre" hint="g, kg, oz, 3 lb 4 oz" />
        <Ask {...pct.field} label="Percent" />
        <Ask {...ratio.field} label="Water, mL per gram of fibre" />
      </div>
      <Result what="Of the fibre’s weight" working={dose} print={print.mass} />
      <Result what="Water" working={water} print={print.volume} />
      {readings && readings.solutionG !== null ? (
        <Answer what={`The same ${printNumber(readings.pct)} % as a solution would be`}>
          {print.mass(readings.solutionG)}
          {readings.factor === null ? '' : `, ${Math.round(readings.factor * 10) / 10} times as much`}
        </Answer>
      ) : null}
      {stock && scale && dose.result !== null ? <Caution severity="note" text={stockText(dose.result, scale.readsToG, stock)} /> : null}
      <h2 className="head-plain">Scale a recipe to this fibre</h2>
      <div className="fields">
        <Ask {...amount.field} label="The recipe says" hint="such as 40 g of something" />
        <Ask {...from.field} label="for so much fibre" hint="such as 500 g" />
      </div>
      {amount.value !== null ? <Answer what="For this fibre">{scaled === null ? 'unknown until both weights are' : print.mass(scaled)}</Answer> : null}
    </>
  );
}
