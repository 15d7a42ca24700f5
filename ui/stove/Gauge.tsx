'use client';
import { linear } from '@/core/measure/linear';
import { usePrint } from '../shell/facts';

/** Of the drawing, px; that of a bath’s pH stands as high beside it. */
export const [GAUGE_WIDTH, GAUGE_HEIGHT] = [74, 210];
const place = linear([10, 102], [GAUGE_HEIGHT - 6, 6]);

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
    <svg className="gauge" width={GAUGE_WIDTH} height={GAUGE_HEIGHT} role="img" aria-label={words}>
      <rect fill="var(--panel)" stroke="var(--line-strong)" x={8} y={2} width={18} height={GAUGE_HEIGHT - 4} rx={9} />
      {c === null ? (
        <text x={17} y={GAUGE_HEIGHT / 2} textAnchor="middle">
          ?
        </text>
      ) : (
        <rect fill="var(--ink)" x={11} y={place(c)} width={12} height={GAUGE_HEIGHT - 5 - place(c)} rx={6} />
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
