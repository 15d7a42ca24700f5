'use client';
import type { Working } from '@/core/dose/working';
import { printNumber } from '@/core/measure/print';
import type { Printer } from '@/core/measure/printer';
import { usePrint } from './facts';

/** A figure in its unit, as this home measures where there is a measure for it. */
export function figureIn(value: number, unit: string, print: Printer): string {
  switch (unit) {
    case 'g':
      return print.mass(value);
    case 'mL':
      return print.volume(value);
    case '°C':
      return print.temperature(value);
    default:
      return `${printNumber(value)} ${unit}`.trim();
  }
}

/** How a figure was reached: the sum, what went into it, and where the rule comes from. */
export function WorkingLines({ working, result }: { working: Working; result?: string }) {
  const print = usePrint();
  const { formula, inputs, missing, source, unit } = working;
  const answer = working.result === null ? `unknown until you know: ${missing.join(', ')}` : (result ?? figureIn(working.result, unit, print));
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
