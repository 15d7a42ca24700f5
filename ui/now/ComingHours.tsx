'use client';
import { Fragment } from 'react';
import { linear } from '@/core/measure/linear';
import { type Asks, type ComingHours as Coming, comingSays } from '@/core/run/comingHours';
import { usePrint } from '../shell/facts';
import { Panel } from '../shell/Page';
import { useMedia } from '../shell/useMedia';

const [ROW, TOP] = [34, 26];
/** In the units of the drawing: about pixels, on a screen and on a phone. */
const WIDE = { width: 1100, label: 170, everyH: 2, letters: 22 };
const NARROW = { width: 400, label: 104, everyH: 4, letters: 13 };
/** An hour at the very edge would be cut. */
const EDGE = 22;
const HOUR_MS = 3_600_000;
/** By look alone, no colour: hands are drawn full, heat is drawn striped, rest is an outline, what is only planned is dashed. */
const LOOK: Readonly<Record<Asks, { readonly fill: string; readonly dash?: string }>> = {
  hands: { fill: 'var(--ink)' },
  heat: { fill: 'url(#coming-heat)' },
  rest: { fill: 'var(--card)' },
  planned: { fill: 'none', dash: '5 4' },
};
const KEY: readonly (readonly [Asks, string])[] = [
  ['heat', 'heat on'],
  ['rest', 'left alone'],
  ['hands', 'hands in it'],
  ['planned', 'planned'],
];

/** The coming hours of all sessions as one picture, and what it says in words. */
export function ComingHours({ coming }: { coming: Coming }) {
  const print = usePrint();
  const { fromMs, toMs, rows, absences } = coming;
  const { width, label, everyH, letters } = useMedia('(min-width: 768px)', true) ? WIDE : NARROW;
  const x = linear([fromMs, toMs], [label, width]);
  const height = TOP + rows.length * ROW;
  const eachMs = everyH * HOUR_MS;
  const hours = Array.from({ length: Math.ceil((toMs - fromMs) / eachMs) }, (_, i) => (Math.ceil(fromMs / eachMs) + i) * eachMs).filter(
    (at) => x(at) <= width - EDGE,
  );
  const says = comingSays(coming, print.clock);
  if (rows.length === 0) return null;
  return (
    <Panel title="The coming hours">
      <svg viewBox={`0 0 ${width} ${height}`} style={{ width: '100%', display: 'block' }} role="img" aria-label={says.join(' ')}>
        <defs>
          <pattern id="coming-heat" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <rect width="7" height="7" fill="var(--card)" />
            <rect width="3" height="7" fill="var(--ink)" />
          </pattern>
        </defs>
        {absences.map((window) => (
          <rect key={window.fromMs} x={x(window.fromMs)} y={0} width={x(window.toMs) - x(window.fromMs)} height={height} fill="var(--line)" />
        ))}
        {hours.map((at) => (
          <g key={at}>
            <line x1={x(at)} x2={x(at)} y1={TOP - 6} y2={height} stroke="var(--line-strong)" strokeDasharray="2 4" />
            <text x={x(at)} y={14} textAnchor="middle" fontSize="13" fill="var(--ink-2)">
              {print.clock(at)}
            </text>
          </g>
        ))}
        {rows.map(({ key, name, stretches, calls }, i) => {
          const y = TOP + i * ROW;
          return (
            <g key={key}>
              <text x={0} y={y + 21} fontSize="15" fill="var(--ink)">
                {name.length > letters ? `${name.slice(0, letters - 1)}…` : name}
                <title>{name}</title>
              </text>
              {stretches.map((one) => (
                <rect
                  key={`${one.fromMs}${one.title}${one.asks}`}
                  x={x(one.fromMs)}
                  y={y + 8}
                  width={Math.max(3, x(one.toMs) - x(one.fromMs))}
                  height={ROW - 16}
                  stroke="var(--ink)"
                  {...(LOOK[one.asks].dash ? { strokeDasharray: LOOK[one.asks].dash } : {})}
                  fill={LOOK[one.asks].fill}
                >
                  <title>{`${one.title}, ${print.clock(one.fromMs)}–${print.clock(one.toMs)}`}</title>
                </rect>
              ))}
              {calls.map(({ atMs, text }) => (
                <circle key={`${atMs}${text}`} cx={x(atMs)} cy={y + ROW / 2} r={6} fill="var(--amber)" stroke="var(--ink)">
                  <title>{`${print.clock(atMs)}: ${print.says(text)}`}</title>
                </circle>
              ))}
            </g>
          );
        })}
      </svg>
      <p className="quiet small" aria-hidden="true">
        {KEY.filter(([asks]) => rows.some(({ stretches }) => stretches.some((one) => one.asks === asks))).map(([asks, word]) => (
          <Fragment key={asks}>
            <svg width="22" height="12" aria-hidden="true" style={{ verticalAlign: 'middle', marginRight: 4 }}>
              <rect
                x="1"
                y="1"
                width="20"
                height="10"
                stroke="var(--ink)"
                fill={LOOK[asks].fill}
                {...(LOOK[asks].dash ? { strokeDasharray: LOOK[asks].dash } : {})}
              />
            </svg>
            {word} &nbsp;
          </Fragment>
        ))}
        <svg width="14" height="14" aria-hidden="true" style={{ verticalAlign: 'middle', marginRight: 4 }}>
          <circle cx="7" cy="7" r="6" fill="var(--amber)" stroke="var(--ink)" />
        </svg>
        a call for hands
        {absences.length > 0 ? ' · grey: night, or away' : ''}
      </p>
      <ul>
        {says.map((line) => (
          <li key={line}>{print.says(line)}</li>
        ))}
      </ul>
    </Panel>
  );
}
