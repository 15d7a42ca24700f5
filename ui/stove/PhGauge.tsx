'use client';
import { linear } from '@/core/measure/linear';
import { printNumber } from '@/core/measure/print';
import { type PhAim, phAimText } from '@/core/plan/phAim';
import { GAUGE_HEIGHT, GAUGE_WIDTH } from './Gauge';

const place = linear([1, 13], [GAUGE_HEIGHT - 6, 6]);

/** The last strip as a column, its aim as a bracket; neutral is a line across. */
export function PhGauge({ ph, aim }: { ph: number | null; aim: PhAim }) {
  const words = `${ph === null ? 'No pH yet' : `pH ${printNumber(ph)}`}, aim ${phAimText(aim)}`;
  const [low, high] = [aim.low ?? 1, aim.high ?? 13];
  return (
    <svg className="gauge" width={GAUGE_WIDTH} height={GAUGE_HEIGHT} role="img" aria-label={words}>
      <rect fill="var(--panel)" stroke="var(--line-strong)" x={8} y={2} width={18} height={GAUGE_HEIGHT - 4} rx={9} />
      <path stroke="var(--line-strong)" d={`M8 ${place(7)}H26`} />
      {ph === null ? (
        <text x={17} y={GAUGE_HEIGHT / 2} textAnchor="middle">
          ?
        </text>
      ) : (
        <rect fill="var(--ink)" x={11} y={place(ph)} width={12} height={GAUGE_HEIGHT - 5 - place(ph)} rx={6} />
      )}
      <path fill="none" stroke="var(--ink)" strokeWidth={2} d={`M32 ${place(high)}H39V${place(low)}H32`} />
      <text x={44} y={place(high) - 1}>
        {aim.high === null ? '' : printNumber(aim.high)}
      </text>
      <text x={44} y={place(low) + 12}>
        {aim.low === null ? '' : printNumber(aim.low)}
      </text>
    </svg>
  );
}
