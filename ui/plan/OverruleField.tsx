'use client';
import { Input } from 'antd';
import { useState } from 'react';
import { parseAmount } from '@/core/dose/parseAmount';
import { refusalText } from '@/core/measure/parseQuantity';
import { type PercentMeans, percentReadings, readPercent } from '@/core/measure/percent';
import { printAmount, printMass, printNumber, printVolume } from '@/core/measure/print';
import type { PlannedAmount } from '@/core/plan/plan';

interface Props {
  readonly amount: PlannedAmount;
  /** What percentages may refer to; null when unknown. */
  readonly dryG: number | null;
  readonly bathMl: number | null;
  readonly bulkGPerMl: readonly [number, number] | null;
  /** How a percentage was read the last time in this plan; null: it has not been asked yet. */
  readonly percentMeans: PercentMeans | null;
  readonly onPercentMeans: (means: PercentMeans | null) => void;
  readonly onSet: (value: number | null) => void;
}

/**
 * Typed as people write: "54 g", "1 1/2 tsp (US)", "2 %". A percentage asks once which kind is meant and then keeps to
 * it. What cannot be read is said under the field and changes nothing.
 */
export function OverruleField({ amount, dryG, bathMl, bulkGPerMl, percentMeans, onPercentMeans, onSet }: Props) {
  const [text, setText] = useState('');
  const [said, setSaid] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [pct, setPct] = useState<number | null>(null);
  const take = (value: number, words: string | null) => {
    setProblem(null);
    setSaid(words);
    setText('');
    setPct(null);
    onSet(Math.round(value * 10_000) / 10_000);
  };
  const takePercent = (percent: number, means: PercentMeans) => {
    const readings = percentReadings(percent, dryG, bathMl);
    const grams = means === 'wof' ? readings.wofG : readings.solutionG;
    onPercentMeans(means);
    if (grams === null)
      return setProblem(means === 'wof' ? 'The fibre’s weight is unknown; weigh it first.' : 'The bath’s volume is unknown; set the water first.');
    take(grams, `${printNumber(percent)} % read as ${means === 'wof' ? 'of the fibre’s weight' : 'a solution, g per 100 mL'}.`);
  };
  const set = () => {
    if (text.trim() === '') return setProblem(null);
    const percent = amount.unit === 'g' ? readPercent(text) : null;
    if (percent !== null) {
      setProblem(null);
      if (percentMeans !== null) return takePercent(percent, percentMeans);
      return setPct(percent);
    }
    const parsed = parseAmount(text, amount.unit, bulkGPerMl);
    if (!parsed.ok) return setProblem(refusalText(parsed.error));
    const { value, plusMinusPct } = parsed.value;
    take(value, plusMinusPct === null ? null : `A spoon is a guess: ${printMass(value)} give or take ${Math.round(plusMinusPct)} %. Weigh it if you can.`);
  };
  const readings = pct === null ? null : percentReadings(pct, dryG, bathMl);
  return (
    <div className="overrule">
      <Input
        size="small"
        value={text}
        status={problem ? 'error' : ''}
        aria-label={`Set ${amount.name} instead`}
        placeholder={amount.unit === 'g' ? 'set instead: 18 g, 2 %, 1 tsp' : `set instead, in ${amount.unit === 'piece' ? 'pieces' : amount.unit}`}
        onChange={(event) => setText(event.target.value)}
        onBlur={set}
        onPressEnter={set}
      />
      {amount.overruled === null ? null : (
        <button type="button" className="act act-small" onClick={() => onSet(null)}>
          Back to worked out
        </button>
      )}
      {readings ? (
        // biome-ignore lint/a11y/useSemanticElements: a question inside a form, not a set of its fields
        <div className="ask-which" role="group" aria-label={`Which ${printNumber(readings.pct)} %?`}>
          <p>
            {printNumber(readings.pct)} % of what?{readings.factor === null ? '' : ` The two are ${printNumber(readings.factor)} times apart.`}
          </p>
          <button type="button" className="act act-small" onClick={() => takePercent(readings.pct, 'wof')}>
            Of the fibre’s weight: {readings.wofG === null ? 'unknown' : printAmount(readings.wofG, 'g')}
          </button>
          <button type="button" className="act act-small" onClick={() => takePercent(readings.pct, 'solution')}>
            A solution: {readings.solutionG === null ? 'unknown' : `${printAmount(readings.solutionG, 'g')} in ${printVolume(bathMl ?? 0)}`}
          </button>
        </div>
      ) : null}
      {said ? (
        <span className="quiet small">
          {said}{' '}
          {said.includes('%') && percentMeans !== null && said.includes('read as') ? (
            <button type="button" className="link-button" onClick={() => onPercentMeans(null)}>
              Ask again next time
            </button>
          ) : null}
        </span>
      ) : null}
      {problem ? (
        <span className="field-error" role="alert">
          {problem}
        </span>
      ) : null}
    </div>
  );
}
