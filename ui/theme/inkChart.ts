'use client';
import { Chart as ChartJs, type ChartOptions } from 'chart.js';
import { useIsNight } from './lighting';
import { DAY, NIGHT } from './room';
import { tickLabel } from './tickLabel';

/** The library’s own way makes a formatter first, which holds the page up for 30 ms. */
const tickText = (value: number | string, _index: number, all: readonly { readonly value: number }[]): string =>
  tickLabel(
    Number(value),
    all.map((tick) => tick.value),
  );

/** What all our curves have: the page's type, its greys by day and night, no movement, the point under the finger told. */
export function useInkChart() {
  const colours = useIsNight() ? NIGHT : DAY;
  ChartJs.defaults.font.size = 13;
  // The canvas knows no custom properties: it is told the family that the page uses.
  ChartJs.defaults.font.family = getComputedStyle(document.body).fontFamily;
  const options = {
    animation: false,
    parsing: false,
    maintainAspectRatio: false,
    interaction: { mode: 'nearest', axis: 'x', intersect: false },
  } satisfies ChartOptions<'line'>;
  return { colours, options, ticks: { color: colours.ink2, callback: tickText }, grid: { color: `${colours.ink2}40` } };
}
