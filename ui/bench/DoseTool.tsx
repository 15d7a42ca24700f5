'use client';
import { liquorVolume, scaleAmount, wofDose } from '@/core/dose/dose';
import { stockSolution, stockText } from '@/core/dose/solutions';
import { percentReadings } from '@/core/measure/percent';
import { printMass, printVolume } from '@/core/measure/print';
import { type Home, scaleFor } from '@/core/plan/plan';
import { Answer, Ask, Result } from './parts';
import { readPlain, readQuantity } from './read';
import type { Address } from './useAddress';

/** Percent of the fibre, beside the same figure as a solution; water by liquor ratio; a recipe scaled. */
export function DoseTool({ address, home }: { address: Address; home: Home }) {
  const dry = readQuantity(address.get('fibre', '250 g'), 'mass', 'g');
  const pct = readPlain(address.get('pct', '10'));
  const ratio = readPlain(address.get('liquor', '30'));
  const amount = readQuantity(address.get('amount', ''), 'mass', 'g');
  const from = readQuantity(address.get('from', ''), 'mass', 'g');
  const dose = wofDose(dry.value, pct.value);
  const water = liquorVolume(dry.value, ratio.value);
  const readings = pct.value === null ? null : percentReadings(pct.value, dry.value, water.result);
  const scale = dose.result === null ? null : scaleFor(home.scales, dose.result);
  const stock = scale && dose.result !== null ? stockSolution(dose.result, scale.readsToG) : null;
  const scaled = amount.value === null ? null : scaleAmount(amount.value, from.value, dry.value);
  return (
    <>
      <div className="params">
        <Ask address={address} name="fibre" label="Dry fibre" otherwise="250 g" problem={dry.problem} hint="g, kg, oz, 3 lb 4 oz" />
        <Ask address={address} name="pct" label="Percent" otherwise="10" problem={pct.problem} />
        <Ask address={address} name="liquor" label="Water, mL per gram of fibre" otherwise="30" problem={ratio.problem} />
      </div>
      <Result what="Of the fibre’s weight" working={dose} print={printMass} />
      <Result what="Water" working={water} print={printVolume} />
      {readings && readings.solutionG !== null ? (
        <Answer what={`The same ${pct.value} % as a solution would be`}>
          {printMass(readings.solutionG)}
          {readings.factor === null ? '' : `, ${Math.round(readings.factor * 10) / 10} times as much`}
        </Answer>
      ) : null}
      {stock && scale && dose.result !== null ? <p className="finding finding-note">{stockText(dose.result, scale.readsToG, stock)}</p> : null}
      <h2>Scale a recipe to this fibre</h2>
      <div className="params">
        <Ask address={address} name="amount" label="The recipe says" otherwise="" problem={amount.problem} hint="such as 40 g of something" />
        <Ask address={address} name="from" label="for so much fibre" otherwise="" problem={from.problem} hint="such as 500 g" />
      </div>
      {amount.value !== null ? <Answer what="For this fibre">{scaled === null ? 'unknown until both weights are' : printMass(scaled)}</Answer> : null}
    </>
  );
}
