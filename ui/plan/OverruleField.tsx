'use client';
import { Button } from 'antd';
import { useState } from 'react';
import { resultOf } from '@/core/dose/working';
import { isSpan, type Known, knownOf, knownText, type Span, timesSpan } from '@/core/figure';
import { type EachMeans, eachOrAll } from '@/core/measure/each';
import { type PercentMeans, percentReadings, readPercent } from '@/core/measure/percent';
import { printNumber } from '@/core/measure/print';
import type { PlannedAmount } from '@/core/plan/plan';
import type { PlantAmount } from '@/core/plan/plant';
import { TypedInput } from '../form/TypedInput';
import { amountReader, plantReader, type Read } from '../form/typed';
import { usePrint } from '../shell/facts';

interface Props {
  readonly amount: PlannedAmount;
  /** What percentages may refer to; null when unknown. */
  readonly dryG: number | null;
  readonly bathMl: number | null;
  readonly bulkGPerMl: readonly [number, number] | null;
  /** How a percentage was read the last time in this plan; null: it has not been asked yet. */
  readonly percentMeans: PercentMeans | null;
  readonly onPercentMeans: (means: PercentMeans | null) => void;
  /** Cups or pieces that the step is for; 1 where there is nothing to ask. */
  readonly portions: number;
  /** How an amount was meant the last time in this plan; null: it has not been asked yet. */
  readonly eachMeans: EachMeans | null;
  readonly onEachMeans: (means: EachMeans | null) => void;
  readonly onSet: (value: Known) => void;
  /** Something was said of it in place of what is worked out, other than an amount: a ratio. */
  readonly isSaid?: boolean;
  /** Set for a plant, which is measured by weight, volume or count, or by a ratio. */
  readonly onPlant?: ((said: PlantAmount | null) => void) | undefined;
}

const timesSaid = (said: number | Span, n: number): number | Span => (isSpan(said) ? timesSpan(said, n) : said * n);

/**
 * Typed as people write: "54 g", "1 1/2 tsp (US)", "2 %". A percentage asks once which kind is meant and then keeps to
 * it. What cannot be read is said under the field and changes nothing.
 */
export function OverruleField(props: Props) {
  const { amount, dryG, bathMl, bulkGPerMl, percentMeans, onPercentMeans, portions, eachMeans, onEachMeans, onSet, isSaid = false, onPlant } = props;
  const print = usePrint();
  const [text, setText] = useState('');
  const [said, setSaid] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [pct, setPct] = useState<number | null>(null);
  const [unsaid, setUnsaid] = useState<number | Span | null>(null);
  const readAmount = onPlant ? plantReader(print.measures) : amountReader(amount.unit, bulkGPerMl, print.measures);
  const percentOf = (typed: string) => (amount.unit === 'g' ? readPercent(typed) : null);
  const read = (typed: string): Read<unknown> => (percentOf(typed) === null ? readAmount(eachOrAll(typed).bare) : { ok: true, value: null, says: '' });
  const take = (value: number | Span, words: string | null) => {
    setProblem(null);
    setSaid(words);
    setText('');
    setPct(null);
    setUnsaid(null);
    onSet(isSpan(value) ? value : Math.round(value * 10_000) / 10_000);
  };
  const takePercent = (percent: number, means: PercentMeans) => {
    const readings = percentReadings(percent, dryG, bathMl);
    const grams = means === 'wof' ? readings.wofG : readings.solutionG;
    onPercentMeans(means);
    if (grams === null)
      return setProblem(means === 'wof' ? 'The fibre’s weight is unknown; weigh it first.' : 'The bath’s volume is unknown; set the water first.');
    take(grams, `${printNumber(percent)} % read as ${means === 'wof' ? 'of the fibre’s weight' : 'a solution, g per 100 mL'}.`);
  };
  const takeEach = (known: number | Span, means: EachMeans) => {
    onEachMeans(means);
    take(means === 'each' ? timesSaid(known, portions) : known, means === 'each' ? `Read as each: ${portions} of them.` : 'Read as in all.');
  };
  const set = () => {
    if (text.trim() === '') return setProblem(null);
    const percent = percentOf(text);
    if (percent !== null) {
      setProblem(null);
      return percentMeans === null ? setPct(percent) : takePercent(percent, percentMeans);
    }
    const { bare, means } = eachOrAll(text);
    const got = readAmount(bare);
    if (!got.ok || got.value === null) return;
    if ('by' in got.value) {
      setText('');
      return onPlant?.(got.value);
    }
    const { figure, plusMinusPct } = got.value;
    const known = knownOf(figure);
    if (known === null) return;
    const said = knownText(known, (value) => print.amount(value, amount.unit));
    const meant = portions > 1 ? (means ?? eachMeans) : 'all';
    if (meant === null) return setUnsaid(known);
    if (portions > 1) return takeEach(known, meant);
    take(known, plusMinusPct === null ? null : `A spoon is a guess: ${said} give or take ${Math.round(plusMinusPct)} %. Weigh it if you can.`);
  };
  const readings = pct === null ? null : percentReadings(pct, dryG, bathMl);
  return (
    <div className="overrule">
      <div className="line line-tight">
        <div style={{ flex: '1 1 200px' }}>
          <TypedInput
            size="small"
            value={text}
            read={read}
            fault={problem}
            aria-label={`Set ${amount.name} instead`}
            placeholder={
              onPlant
                ? 'set instead: 200 g, 3–4 cups, a handful, 2 : 1'
                : amount.unit === 'g'
                  ? 'set instead: 18 g, 15–20 g, 2 %, 1 tsp'
                  : `set instead, in ${amount.unit === 'piece' ? 'pieces' : amount.unit}`
            }
            onChange={(next) => {
              setText(next);
              setProblem(null);
            }}
            onDone={set}
          />
        </div>
        {amount.overruled === null && !isSaid ? null : (
          <Button size="small" onClick={() => onSet(null)}>
            {resultOf(amount.proposed) === null ? 'Back to not set' : 'Back to worked out'}
          </Button>
        )}
      </div>
      {readings ? (
        <fieldset className="plain-set" aria-label={`Which ${printNumber(readings.pct)} %?`}>
          <p>
            {printNumber(readings.pct)} % of what?{readings.factor === null ? '' : ` The two are ${printNumber(readings.factor)} times apart.`}
          </p>
          <div className="line line-tight">
            <Button size="small" onClick={() => takePercent(readings.pct, 'wof')}>
              Of the fibre’s weight: {readings.wofG === null ? 'unknown' : print.mass(readings.wofG)}
            </Button>
            <Button size="small" onClick={() => takePercent(readings.pct, 'solution')}>
              A solution: {readings.solutionG === null ? 'unknown' : `${print.mass(readings.solutionG)} in ${print.volume(bathMl ?? 0)}`}
            </Button>
          </div>
        </fieldset>
      ) : null}
      {unsaid === null ? null : (
        <fieldset className="plain-set" aria-label="Each, or in all?">
          <p>Each, or in all? There are {portions}.</p>
          <div className="line line-tight">
            {(['each', 'all'] as const).map((means) => (
              <Button key={means} size="small" onClick={() => takeEach(unsaid, means)}>
                {means === 'each' ? 'Each' : 'In all'}:{' '}
                {knownText(means === 'each' ? timesSaid(unsaid, portions) : unsaid, (value) => print.amount(value, amount.unit))}
              </Button>
            ))}
          </div>
        </fieldset>
      )}
      {said ? (
        <p className="quiet small">
          {said}{' '}
          {percentMeans !== null && said.includes('read as') ? (
            <Button type="link" size="small" onClick={() => onPercentMeans(null)}>
              Ask again next time
            </Button>
          ) : null}
        </p>
      ) : null}
    </div>
  );
}
