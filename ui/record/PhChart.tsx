'use client';
import { Chart as ChartJs, type ChartOptions, Filler, LinearScale, LineElement, PointElement, Tooltip } from 'chart.js';
import { Line } from 'react-chartjs-2';
import type { PhAim } from '@/core/plan/phAim';
import { usePrint } from '../shell/facts';
import { useInkChart } from '../theme/inkChart';

ChartJs.register(LinearScale, PointElement, LineElement, Filler, Tooltip);

interface Props {
  readonly label: string;
  /** In order of time, two at least. */
  readonly strips: readonly { readonly atMs: number; readonly value: number }[];
  readonly aim: PhAim | null;
}

/** Strips as dots joined by a line, the aim as a grey strip. */
export function PhChart({ label, strips, aim }: Props) {
  const print = usePrint();
  const { colours, options: plainChart, ticks, grid } = useInkChart();
  const [from, to] = [strips[0]?.atMs ?? 0, strips.at(-1)?.atMs ?? 1];
  const level = (ph: number) => [
    { x: from, y: ph },
    { x: to, y: ph },
  ];
  const plain = { pointRadius: 0, borderWidth: 1, borderColor: colours.ink2 };
  const datasets = [
    ...(aim
      ? [
          { ...plain, label: 'aim from', data: level(aim.low ?? 0) },
          { ...plain, label: 'aim up to', data: level(aim.high ?? 14), fill: '-1', backgroundColor: `${colours.ink}20` },
        ]
      : []),
    {
      label: 'pH',
      data: strips.map(({ atMs, value }) => ({ x: atMs, y: value })),
      borderColor: colours.ink,
      backgroundColor: colours.ink,
      borderWidth: 2,
      pointRadius: 4,
      tension: 0,
    },
  ];
  const options: ChartOptions<'line'> = {
    ...plainChart,
    scales: {
      x: { type: 'linear', min: from, max: to, ticks: { ...ticks, maxTicksLimit: 7, callback: (value) => print.clock(Number(value)) }, grid },
      y: { title: { display: true, text: 'pH', color: colours.ink2 }, ticks, suggestedMin: 3, suggestedMax: 9, grid },
    },
    plugins: {
      tooltip: {
        callbacks: {
          title: (items) => print.dayClock(Number(items[0]?.parsed.x)),
          label: (item) => `${item.dataset.label} ${Number(item.parsed.y).toFixed(1)}`,
        },
      },
    },
  };
  return <Line data={{ datasets }} options={options} aria-label={label} />;
}
