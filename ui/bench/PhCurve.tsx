'use client';
import { Chart as ChartJs, type ChartOptions, LinearScale, LineElement, PointElement, Tooltip } from 'chart.js';
import { Line } from 'react-chartjs-2';
import { useInkChart } from '../theme/inkChart';

ChartJs.register(LinearScale, PointElement, LineElement, Tooltip);

interface Props {
  readonly label: string;
  readonly points: readonly { readonly amount: number; readonly ph: number }[];
  readonly measure: (amount: number) => string;
  /** The amount that was asked about. */
  readonly at: number | null;
  readonly target: number | null;
}

/** Where each amount would take the bath: a line in ink, the aim dashed, the amount asked about as a dot. */
export function PhCurve({ label, points, measure, at, target }: Props) {
  const { colours, options: plainChart, ticks, grid } = useInkChart();
  const most = points.at(-1)?.amount ?? 1;
  const phs = points.map(({ ph }) => ph);
  // At least from one whole pH to the next: a hair’s breadth drawn large would look like a leap.
  const [lowest, highest] = [Math.min(7, ...phs), Math.max(7, ...phs)];
  const here =
    at === null
      ? undefined
      : points.reduce((best, point) => (Math.abs(point.amount - at) < Math.abs(best.amount - at) ? point : best), points[0] ?? { amount: 0, ph: 7 });
  const datasets = [
    { label: 'pH', data: points.map(({ amount, ph }) => ({ x: amount, y: ph })), borderColor: colours.ink, borderWidth: 2, pointRadius: 0 },
    ...(target === null
      ? []
      : [
          {
            label: 'aim',
            data: [
              { x: 0, y: target },
              { x: most, y: target },
            ],
            borderColor: colours.ink2,
            borderWidth: 1.5,
            borderDash: [7, 5],
            pointRadius: 0,
          },
        ]),
    ...(here
      ? [
          {
            label: 'asked about',
            data: [{ x: here.amount, y: here.ph }],
            borderColor: colours.ink,
            backgroundColor: colours.ink,
            pointRadius: 6,
            showLine: false,
          },
        ]
      : []),
  ];
  const options: ChartOptions<'line'> = {
    ...plainChart,
    scales: {
      x: { type: 'linear', min: 0, max: most, ticks: { ...ticks, maxTicksLimit: 8, includeBounds: false, callback: (value) => measure(Number(value)) }, grid },
      y: { title: { display: true, text: 'pH', color: colours.ink2 }, ticks, grid, suggestedMin: Math.floor(lowest), suggestedMax: Math.ceil(highest) },
    },
    plugins: {
      tooltip: {
        callbacks: {
          title: (items) => measure(Number(items[0]?.parsed.x)),
          label: (item) => `${item.dataset.label} ${Number(item.parsed.y).toFixed(1)}`,
        },
      },
    },
  };
  return (
    <div style={{ height: 280 }}>
      <Line data={{ datasets }} options={options} aria-label={label} />
    </div>
  );
}
