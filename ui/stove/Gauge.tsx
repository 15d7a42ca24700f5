'use client';
import { linear } from '@/core/measure/linear';
import { printNumber } from '@/core/measure/print';
import { type PhAim, phAimText } from '@/core/plan/phAim';
import { usePrint } from '../shell/facts';

const HEIGHT = 210;
const placed = (from: number, to: number) => linear([from, to], [HEIGHT - 6, 6]);
const place = placed(10, 102);
const placePh = placed(1, 13);

interface Props {
  readonly c: number | null;
  readonly bandC: readonly [number, number] | null;
  readonly ceilingC: number | null;
}

/** Temperature as a column of ink, the band as a bracket beside it, the ceiling as a bar. */
export function Gauge({ c, bandC, ceilingC }: Props) {
  const print = usePrint();
  const words =
    c === null
      ? 'No temperature yet'
      : `${print.temperature(c)}${bandC ? `, band ${print.band(bandC)}` : ''}${ceilingC === null ? '' : `, never above ${print.temperature(ceilingC)}`}`;
  const bare = (degreesC: number) => print.temperature(degreesC).replace(/ °[CF]$/, '');
  const isOver = c !== null && ceilingC !== null && c > ceilingC;
  return (
    <svg className="gauge" width={74} height={HEIGHT} role="img" aria-label={words}>
      <rect fill="var(--panel)" stroke="var(--line-strong)" x={8} y={2} width={18} height={HEIGHT - 4} rx={9} />
      {c === null ? (
        <text x={17} y={HEIGHT / 2} textAnchor="middle">
          ?
        </text>
      ) : (
        <rect fill="var(--ink)" x={11} y={place(c)} width={12} height={HEIGHT - 5 - place(c)} rx={6} />
      )}
      {bandC ? (
        <g>
          <path fill="none" stroke="var(--ink)" strokeWidth={2} d={`M32 ${place(bandC[1])}H39V${place(bandC[0])}H32`} />
          <text x={44} y={place(bandC[1]) - 1}>
            {bare(bandC[1])}
          </text>
          <text x={44} y={place(bandC[0]) + 12}>
            {bare(bandC[0])}
          </text>
        </g>
      ) : null}
      {ceilingC === null ? null : (
        <path fill="none" stroke={isOver ? 'var(--red)' : 'var(--ink)'} strokeWidth={isOver ? 3 : 2} d={`M3 ${place(ceilingC)}H31M3 ${place(ceilingC) - 4}H31`}>
          <title>{`never above ${print.temperature(ceilingC)}`}</title>
        </path>
      )}
    </svg>
  );
}

/** The last strip as a column, its aim as a bracket; neutral is a line across. */
export function PhGauge({ ph, aim }: { ph: number | null; aim: PhAim }) {
  const words = `${ph === null ? 'No pH yet' : `pH ${printNumber(ph)}`}, aim ${phAimText(aim)}`;
  const [low, high] = [aim.low ?? 1, aim.high ?? 13];
  return (
    <svg className="gauge" width={74} height={HEIGHT} role="img" aria-label={words}>
      <rect fill="var(--panel)" stroke="var(--line-strong)" x={8} y={2} width={18} height={HEIGHT - 4} rx={9} />
      <path stroke="var(--line-strong)" d={`M8 ${placePh(7)}H26`} />
      {ph === null ? (
        <text x={17} y={HEIGHT / 2} textAnchor="middle">
          ?
        </text>
      ) : (
        <rect fill="var(--ink)" x={11} y={placePh(ph)} width={12} height={HEIGHT - 5 - placePh(ph)} rx={6} />
      )}
      <path fill="none" stroke="var(--ink)" strokeWidth={2} d={`M32 ${placePh(high)}H39V${placePh(low)}H32`} />
      <text x={44} y={placePh(high) - 1}>
        {aim.high === null ? '' : printNumber(aim.high)}
      </text>
      <text x={44} y={placePh(low) + 12}>
        {aim.low === null ? '' : printNumber(aim.low)}
      </text>
    </svg>
  );
}
