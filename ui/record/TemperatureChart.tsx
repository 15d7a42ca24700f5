'use client';
import { CategoryScale, Chart as ChartJs, type ChartOptions, Filler, LinearScale, LineElement, PointElement, Tooltip } from 'chart.js';
import { memo } from 'react';
import { Line } from 'react-chartjs-2';
import type { Band } from '@/core/chem/band';
import type { Reading } from '@/core/hold/credit';
import { celsiusToF } from '@/core/measure/temperature';
import { usePrint } from '../shell/facts';
import { useInkChart } from '../theme/inkChart';
import { thinned } from './curvePoints';

ChartJs.register(LinearScale, CategoryScale, PointElement, LineElement, Filler, Tooltip);

interface Props {
  readonly label: string;
  readonly readings: readonly Reading[];
  readonly bandC: readonly [number, number] | null;
  readonly ceilingC: number | null;
  /** What is still to come, by a forecast: dashed, with its range. */
  readonly ahead?: readonly (Band & { readonly atMs: number })[];
  /** How its times are told; by the clock when left out. */
  readonly timeText?: (atMs: number) => string;
}

const NOTHING: NonNullable<Props['ahead']> = [];

/** A curve in ink, its band as a grey strip, its ceiling as a dashed line, what is foreseen as dots. */
export const TemperatureChart = memo(function TemperatureChart({ label, readings, bandC, ceilingC, ahead = NOTHING, timeText }: Props) {
  const print = usePrint();
  const { colours, options: plainChart, ticks, grid } = useInkChart();
  const isF = print.measures.temperature === 'F';
  const scale = isF ? '°F' : '°C';
  const degrees = (c: number) => (isF ? celsiusToF(c) : c);
  const points = thinned(readings).map((reading) => ({ x: reading.atMs, y: degrees(reading.bathC) }));
  const [from, to] = [points[0]?.x ?? 0, ahead.at(-1)?.atMs ?? points.at(-1)?.x ?? 1];
  const level = (c: number) => [
    { x: from, y: degrees(c) },
    { x: to, y: degrees(c) },
  ];
  const plain = { pointRadius: 0, borderWidth: 1, borderColor: colours.ink2, borderDash: [] as number[] };
  const datasets = [
    ...(bandC
      ? [
          { ...plain, label: 'band from', data: level(bandC[0]) },
          { ...plain, label: 'band up to', data: level(bandC[1]), fill: '-1', backgroundColor: `${colours.ink}20` },
        ]
      : []),
    ...(ceilingC === null ? [] : [{ ...plain, label: 'never above', data: level(ceilingC), borderDash: [7, 5], borderWidth: 1.5 }]),
    ...(ahead.length === 0
      ? []
      : [
          { ...plain, label: 'at the least', data: ahead.map(({ atMs, low }) => ({ x: atMs, y: degrees(low) })), borderWidth: 0 },
          {
            ...plain,
            label: 'at the most',
            data: ahead.map(({ atMs, high }) => ({ x: atMs, y: degrees(high) })),
            borderWidth: 0,
            fill: '-1',
            backgroundColor: `${colours.ink}30`,
          },
          {
            ...plain,
            label: 'left alone',
            data: ahead.map(({ atMs, likely }) => ({ x: atMs, y: degrees(likely) })),
            borderColor: colours.ink,
            borderDash: [3, 4],
            borderWidth: 2,
          },
        ]),
    { label: 'bath', data: points, borderColor: colours.ink, borderWidth: 2, pointRadius: 0, tension: 0 },
  ];
  const options: ChartOptions<'line'> = {
    ...plainChart,
    scales: {
      x: { type: 'linear', min: from, max: to, ticks: { ...ticks, maxTicksLimit: 7, callback: (value) => (timeText ?? print.clock)(Number(value)) }, grid },
      y: { title: { display: true, text: scale, color: colours.ink2 }, ticks, suggestedMin: degrees(10), suggestedMax: degrees(95), grid },
    },
    plugins: {
      tooltip: {
        callbacks: {
          title: (items) => (timeText ?? print.dayClock)(Number(items[0]?.parsed.x)),
          label: (item) => `${item.dataset.label}: ${Number(item.parsed.y).toFixed(isF ? 0 : 1)} ${scale}`,
        },
      },
    },
  };
  return <Line data={{ datasets }} options={options} aria-label={label} />;
});
