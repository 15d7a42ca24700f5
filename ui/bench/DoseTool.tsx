'use client';
import { liquorRatio, liquorVolume, scaleAmount, wofDose } from '@/core/dose/dose';
import { stockSolution, stockText, volumePct } from '@/core/dose/solutions';
import { knownText, oneOf, timesKnown } from '@/core/figure';
import type { Home } from '@/core/kitchen/home';
import { scaleFor } from '@/core/kitchen/scale';
import { percentReadings } from '@/core/measure/percent';
import { printNumber } from '@/core/measure/print';
import { knownReader, plantReader, rangedParamReader } from '../form/typed';
import { Caution } from '../shell/Findings';
import { usePrint } from '../shell/facts';
import { Answer, Ask, Result } from './parts';
import { above0, asked, plain } from './read';
import type { Address } from './useAddress';

/** Percent of the fibre, beside the same figure as a solution; water by liquor ratio; a recipe scaled. */
export function DoseTool({ address, home }: { address: Address; home: Home }) {
  const print = usePrint();
  const mass = above0(knownReader('g', print.measures));
  const volume = knownReader('mL', print.measures);
  const dry = asked(address, 'fibre', '250 g', mass);
  const pct = asked(address, 'pct', '10', rangedParamReader('% WOF', 0, 1000));
  const ratio = asked(address, 'liquor', '30', plain());
  const amount = asked(address, 'amount', '', plantReader(print.measures));
  const bath = asked(address, 'bath', '', above0(volume));
  const added = asked(address, 'added', '', volume);
  const from = asked(address, 'from', '', mass);
  const dose = wofDose(dry.value, pct.value);
  const water = liquorVolume(dry.value, ratio.value);
  const [onePct, oneDry] = [oneOf(pct.value), oneOf(dry.value)];
  const readings = onePct === null ? null : percentReadings(onePct, oneDry, water.result);
  const scale = dose.result === null ? null : scaleFor(home.scales, dose.result);
  const stock = scale && dose.result !== null ? stockSolution(dose.result, scale.readsToG) : null;
  const said = amount.value;
  const [fromG, toG] = [oneOf(from.value), oneDry];
  const scaled = said?.by !== 'amount' || fromG === null || toG === null ? null : timesKnown(said.known, scaleAmount(1, fromG, toG) ?? 0);
  const [waterMl, addedMl] = [oneOf(bath.value), oneOf(added.value)];
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
        <Ask {...amount.field} label="The recipe says" hint="such as 40 g, 2 tsp (US), 3 bags" />
        <Ask {...from.field} label="for so much fibre" hint="such as 500 g" />
      </div>
      {said?.by === 'ratio' ? <Answer what="For this fibre">a ratio is the same for any weight</Answer> : null}
      {said?.by === 'amount' ? (
        <Answer what="For this fibre">
          {scaled === null ? 'unknown until both weights are' : knownText(scaled, (value) => print.amount(value, said.unit))}
        </Answer>
      ) : null}
      <h2 className="head-plain">The bath as it is</h2>
      <div className="fields">
        <Ask {...bath.field} label="Water in it" hint="such as 12 cups (US)" />
        <Ask {...added.field} label="Poured in beside it" hint="such as 4 tbsp (US)" />
      </div>
      {bath.value === null ? null : (
        <Result what="All of it to the fibre" working={liquorRatio(bath.value, added.value ?? 0, dry.value)} print={(n) => `${printNumber(n)} : 1`} />
      )}
      {waterMl === null || addedMl === null ? null : <Answer what="What was poured in is">{printNumber(volumePct(addedMl, waterMl))} % of it by volume</Answer>}
    </>
  );
}
