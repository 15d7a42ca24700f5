'use client';
import { resultOf, type Working } from '@/core/dose/working';
import { knownText, type Span } from '@/core/figure';
import { printNumber } from '@/core/measure/print';
import type { Printer } from '@/core/measure/printer';
import { usePrint } from './facts';

/** A figure in its unit, as this home measures where there is a measure for it. */
export const figureIn = (known: number | Span, unit: string, print: Printer): string => knownText(known, (value) => oneIn(value, unit, print));

function oneIn(value: number, unit: string, print: Printer): string {
  switch (unit) {
    case 'g':
      return print.mass(value);
    case 'mL':
      return print.volume(value);
    case '°C':
      return print.temperature(value);
    case 'piece':
    case 'handful':
      return print.amount(value, unit);
    default:
      return `${printNumber(value)} ${unit}`.trim();
  }
}

/** How a figure was reached: the sum, what went into it, and where the rule comes from. */
export function WorkingLines({ working }: { working: Working }) {
  const print = usePrint();
  const { formula, inputs, missing, source, unit } = working;
  const result = resultOf(working);
  const range = working.result !== null && working.between ? `, most likely; ${figureIn(working.between, unit, print)}` : '';
  const answer = result === null ? `unknown until you know: ${missing.join(', ')}` : `${figureIn(result, unit, print)}${range}`;
  return (
    <>
      <p>
        {formula} = {answer}
      </p>
      {inputs.map((input) => (
        <p key={input.name}>
          {input.name}: {input.value === null ? 'unknown' : figureIn(input.value, input.unit, print)}
        </p>
      ))}
      <p className="quiet">Source: {source}</p>
    </>
  );
}
