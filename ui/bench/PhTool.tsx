'use client';
import { useMemo } from 'react';
import { askPh, type PhQuestion } from '@/core/chem/askPh';
import { type Band, bandOf } from '@/core/chem/band';
import { inSteps } from '@/core/chem/forecast';
import { isLiquid, isSlow, movesPh, SUM_ONLY, usualStrength } from '@/core/chem/freed';
import { alkalinityOf } from '@/core/chem/water';
import type { ReadAmount } from '@/core/dose/parseAmount';
import { nearestSpoons } from '@/core/dose/spoons';
import { knownOf } from '@/core/figure';
import type { Home } from '@/core/kitchen/home';
import { NOTHING_TAKES_PH } from '@/core/plan/phAim';
import { FORMS } from '@/core/shelf/forms';
import type { Book } from '../api/useBook';
import { hardnessReader, hardnessText } from '../form/hardnessReader';
import { amountReader, knownReader, temperatureReader } from '../form/typed';
import { Caution } from '../shell/Findings';
import { usePrint } from '../shell/facts';
import { Help } from '../shell/Help';
import { later } from '../shell/later';
import { Answer, Ask, Choose } from './parts';
import { above0, asked, plain } from './read';
import type { Address } from './useAddress';

const PhCurve = later(() => import('./PhCurve').then((module) => module.PhCurve));

/** Above this wool stops taking, and silk is harmed (common practice, no source). */
const WOOL_STANDS_PH = 10;
/** The range of what was typed; a spoon's own uncertainty is in it. */
const bandOfAmount = (read: ReadAmount | null): Band | null => (read ? bandOf(knownOf(read.figure), read.plusMinusPct ?? 0) : null);

/** No finer than a strip can tell. */
const asSure = (value: number): number => Number(value.toPrecision(2));
/** Less of a powder than this is measured as a stock, g. */
const STOCK_BELOW_G = 1;
const phText = (ph: number): string => ph.toFixed(1);
const bandText = ({ low, likely, high }: Band, print: (value: number) => string): string => {
  const [a, b, c] = [print(low), print(likely), print(high)];
  return a === c ? b : `${b}, between ${a} and ${c}`;
};

/** A strip is mostly read in a spoonful that has cooled, °C. */
const COOLED_C = 25;

/** The pH before it is poured: what an amount does, how much it takes, and what the strip has taught. */
export function PhTool({ address, book, home }: { address: Address; book: Book; home: Home }) {
  const print = usePrint();
  const stuffs = [...book.assistants.filter(({ id }) => movesPh(id)), ...SUM_ONLY];
  const substance = stuffs.find(({ id }) => id === address.get('in', 'vinegar')) ?? stuffs[0];
  const liquid = substance !== undefined && isLiquid(substance.id);
  const usual = substance ? usualStrength(substance.id) : null;
  const readAmount = amountReader(liquid ? 'mL' : 'g', substance?.bulkGPerMl ?? null, print.measures);
  const volume = asked(address, 'bath', '4 L', above0(knownReader('mL', print.measures)));
  const alkalinity = asked(address, 'alkalinity', '', hardnessReader());
  const hardness = asked(address, 'hardness', '', hardnessReader());
  const temperature = asked(address, 'at', '', temperatureReader(print.measures));
  const now = asked(address, 'now', '', plain(0, 14));
  const amount = asked(address, 'much', '', readAmount);
  const strength = asked(address, 'strength', '', plain(0, 100));
  // A powder is sold in several forms, and a dose is of the one on the shelf; the sum reckons with the recipe’s.
  const forms = liquid || !substance ? [] : (FORMS[substance.id] ?? []);
  const form = forms.find(({ id }) => id === address.get('form', '')) ?? forms[0];
  const target = asked(address, 'to', '', plain(0, 14));
  const put = asked(address, 'put', '', readAmount);
  const then = asked(address, 'then', '', plain(0, 14));
  const tap = home.water;
  const typedWater = alkalinity.value ?? hardness.value;
  // What is typed here goes before what is written down of the tap.
  const water = typedWater === null && tap ? alkalinityOf(tap.alkalinityMgL, tap.hardnessMgL) : alkalinityOf(alkalinity.value, hardness.value);
  const volumeMl = bandOf(volume.value);
  const question = JSON.stringify(
    volumeMl && substance
      ? {
          substance: substance.id,
          strengthPct: strength.value,
          formFactor: form?.factor ?? 1,
          volumeMl,
          alkalinityMgL: water.band,
          tapPh: bandOf(tap?.ph ?? null) ?? undefined,
          tempC: temperature.value ?? COOLED_C,
          nowPh: now.value,
          amount: bandOfAmount(amount.value),
          targetPh: target.value,
          put: bandOfAmount(put.value),
          thenPh: then.value,
        }
      : null,
  );
  // Some tens of milliseconds: anew only when something of it changed.
  const told = useMemo(() => {
    const asking = JSON.parse(question) as PhQuestion | null;
    return asking && askPh(asking);
  }, [question]);
  const own = bandOfAmount(amount.value);
  const measure = (value: number): string => (liquid ? print.volume(asSure(value)) : print.mass(asSure(value)));
  const spoons = (grams: number): string => {
    const bulk = substance?.bulkGPerMl;
    const text = bulk && !liquid ? nearestSpoons(grams / ((bulk[0] + bulk[1]) / 2), 'metric') : null;
    return text ? `, about ${text}` : '';
  };
  const highest = told?.next?.ok ? told.next.ph.high : null;
  return (
    <>
      <div className="fields">
        <Ask {...volume.field} label="In the bath" hint="such as 4 L" />
        <Ask
          {...alkalinity.field}
          label="The water’s alkalinity"
          hint={
            typedWater === null && tap?.alkalinityMgL != null
              ? `as at home: ${hardnessText(tap.alkalinityMgL)}`
              : '10 °dH, 18 °fH, 180 mg/L; on a test it is KH'
          }
        />
        <Ask {...hardness.field} label="or its hardness" hint={alkalinity.value === null ? 'a rougher guide' : 'not needed'} />
        <Ask {...temperature.field} label="Bath temperature" hint={`e.g. ${print.temperature(60)}; empty: a cooled sample, ${print.temperature(COOLED_C)}`} />
        <Ask {...now.field} label="A strip says now" hint="pH, where somebody read it" />
        <Choose address={address} name="in" label="What goes in" otherwise="vinegar" options={stuffs.map(({ id, name }) => ({ value: id, label: name }))} />
        {liquid ? <Ask {...strength.field} label="Its strength, %" hint={usual ? `on the label; else ${usual.low} to ${usual.high}` : ''} /> : null}
        {forms.length > 1 ? (
          <Choose
            address={address}
            name="form"
            label="On its label"
            otherwise={forms[0]?.id ?? ''}
            options={forms.map(({ id, label }) => ({ value: id, label }))}
          />
        ) : null}
        <Ask {...amount.field} label="How much" hint={liquid ? 'such as 20 mL, 1 tbsp (US)' : 'such as 2 g, 1/2 tsp (US)'} />
        <Ask {...target.field} label="To which pH" hint="such as 4.5" />
      </div>
      {told?.next ? (
        <Answer
          what="pH then"
          help={
            <Help word="working" of="pH then">
              <Working from={water.from} alkalinity={water.band} />
            </Help>
          }
        >
          {told.next.ok
            ? `${bandText(told.next.ph, phText)}${told.next.rough ? ', roughly: it is strong' : ''}${substance && isSlow(substance.id) ? '. It dissolves slowly, over an hour and more: stir it up, wait, read again' : ''}`
            : told.next.why}
        </Answer>
      ) : null}
      {highest !== null && highest > WOOL_STANDS_PH ? (
        <Caution
          severity="caution"
          text={
            highest >= NOTHING_TAKES_PH
              ? 'From such a bath dye may not take at all, and wool and silk are harmed. Begin with a pinch, or do it as an after-bath (common practice, no source).'
              : 'Above about pH 10 wool stops taking and silk is harmed. Use a pinch, or do it as an after-bath (common practice, no source).'
          }
        />
      ) : null}
      {told?.dose ? (
        <Answer what={`To pH ${phText(target.value ?? 7)}`}>
          {told.dose.ok ? `${bandText(told.dose.amount, measure)}${spoons(told.dose.amount.likely)}` : told.dose.why}
        </Answer>
      ) : null}
      {told?.dose?.ok && told.dose.amount.likely > 0 ? (
        <p>
          In steps: {inSteps(told.dose.amount.likely).map(measure).join(', then ')}.{' '}
          {!liquid && told.dose.amount.likely < STOCK_BELOW_G
            ? `Too little to weigh well: of 1 g made up to 100 mL it is ${print.volume(asSure(told.dose.amount.likely * 100))}. `
            : ''}
          Stir, read the strip, then the next: a step too far is not taken back by a spoon less.
        </p>
      ) : null}
      {water.from === 'alkalinity' || now.value !== null ? null : (
        <p className="quiet">
          {water.from === 'hardness' ? 'Guessed from the hardness.' : 'Nobody knows the water: any tap is meant.'} Most of the range comes from its alkalinity.
          It stands in the waterworks’ report; a drop test for KH reads it at home. Written down once at Shelf → Home, it counts here and at the stove.
        </p>
      )}
      {told ? (
        <PhCurve label={`pH by amount of ${substance?.name ?? ''}`} points={told.curve} measure={measure} at={own?.likely ?? null} target={target.value} />
      ) : null}
      <h2 className="head-plain">What the strip teaches</h2>
      <p className="quiet">Plant matter gives and takes; no table knows how much. One known spoon and a strip before and after tell.</p>
      <div className="fields">
        <Ask {...put.field} label="Went in" hint="after the strip above" />
        <Ask {...then.field} label="The strip says then" hint="pH" />
      </div>
      {told?.taught ? (
        <p>
          {told.taught.expected.ok ? `By the sum it would be ${bandText(told.taught.expected.ph, phText)}; the` : 'The'} strip says{' '}
          {phText(told.taught.phAfter)}.{' '}
          {told.taught.isOdd
            ? 'That is far off: read a second strip before anything else goes in.'
            : 'Above, the bath is reckoned from there, with what it gave and took.'}
        </p>
      ) : null}
    </>
  );
}

function Working({ from, alkalinity }: { from: 'alkalinity' | 'hardness' | 'nothing'; alkalinity: Band }) {
  return (
    <div className="stack stack-tight">
      <p>
        Where the charges of all ions cancel, with activities after Davies (to an ionic strength of 0.5), at the bath’s temperature. Where chalk may come down,
        the range runs from none of it to all of it.
      </p>
      <p>
        pKa: acetic 4.756; citric 3.128, 4.761, 6.396; tartaric 3.036, 4.366; carbonic 6.352, 10.329; ammonium 9.245; water 13.994 (CRC Handbook, NIST, IAPWS
        2007).
      </p>
      <p>
        Alkalinity {bandText(alkalinity, (mg) => `${Math.round(mg)} mg/L`)} as calcium carbonate
        {from === 'alkalinity' ? ', as you said' : from === 'hardness' ? ', guessed from the hardness' : ', any tap'}. The range is made of all that is not
        known exactly: volume, spoon, strength, water, and whether its carbonic acid goes to the air.
      </p>
    </div>
  );
}
