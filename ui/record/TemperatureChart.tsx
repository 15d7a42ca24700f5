'use client';
import { CategoryScale, Chart as ChartJs, type ChartOptions, Filler, LinearScale, LineElement, PointElement, Tooltip } from 'chart.js';
import { useState } from 'react';
import { Line } from 'react-chartjs-2';
import type { RunView } from '@/contract/views';
import type { StepClock } from '@/core/run/clock';
import { foldRun } from '@/core/run/fold';
import { readingsOf } from '@/core/run/readings';
import { printClock, printDayClock } from '@/core/time/zone';
import { useIsNight } from '../theme/lighting';
import { thinned } from './curvePoints';

ChartJs.defaults.font.family = "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif";
ChartJs.defaults.font.size = 13;
ChartJs.register(LinearScale, CategoryScale, PointElement, LineElement, Filler, Tooltip);

interface Props {
  readonly view: RunView;
  readonly clocks: Readonly<Record<string, StepClock>>;
  readonly chosenStepId: string | null;
}

/** One step's curve with its band as a grey strip and its ceiling as a dashed line. */
export function TemperatureChart({ view, clocks, chosenStepId }: Props) {
  const { plan } = view;
  const { zone } = plan.home.diary;
  const night = useIsNight();
  const state = foldRun(plan.steps, view.events);
  const measured = plan.steps.flatMap((step) => {
    const own = state.steps[step.id];
    const readings = own ? readingsOf(step, own, view.readings) : [];
    return readings.length > 1 ? [{ step, readings }] : [];
  });
  const [picked, setPicked] = useState<string | null>(null);
  const shown = measured.find((entry) => entry.step.id === (chosenStepId ?? picked)) ?? measured.find((entry) => entry.step.kind === 'dye') ?? measured[0];
  if (!shown) return <p className="quiet">No temperature was logged, typed or by probe.</p>;
  const hold = shown.step.phases.find((phase) => phase.kind === 'hold');
  const points = thinned(shown.readings).map((reading) => ({ x: reading.atMs, y: reading.bathC }));
  const [from, to] = [points[0]?.x ?? 0, points.at(-1)?.x ?? 1];
  const ink = night ? '#ededed' : '#1c1c1c';
  const quiet = night ? '#bdbdbd' : '#4d4d4d';
  const level = (y: number) => [
    { x: from, y },
    { x: to, y },
  ];
  const plain = { pointRadius: 0, borderWidth: 1, borderColor: quiet, borderDash: [] as number[] };
  const datasets = [
    ...(hold?.bandC
      ? [
          { ...plain, label: 'band from', data: level(hold.bandC[0]) },
          { ...plain, label: 'band up to', data: level(hold.bandC[1]), fill: '-1', backgroundColor: night ? 'rgba(255,255,255,0.14)' : 'rgba(0,0,0,0.10)' },
        ]
      : []),
    ...(hold?.ceilingC ? [{ ...plain, label: 'never above', data: level(hold.ceilingC), borderDash: [7, 5], borderWidth: 1.5 }] : []),
    { label: 'bath', data: points, borderColor: ink, borderWidth: 2, pointRadius: 0, tension: 0 },
  ];
  const options: ChartOptions<'line'> = {
    animation: false,
    parsing: false,
    maintainAspectRatio: false,
    interaction: { mode: 'nearest', axis: 'x', intersect: false },
    scales: {
      x: {
        type: 'linear',
        min: from,
        max: to,
        ticks: { color: quiet, maxTicksLimit: 7, callback: (value) => printClock(Number(value), zone) },
        grid: { color: 'rgba(128,128,128,0.25)' },
      },
      y: {
        title: { display: true, text: '°C', color: quiet },
        ticks: { color: quiet },
        suggestedMin: 10,
        suggestedMax: 95,
        grid: { color: 'rgba(128,128,128,0.25)' },
      },
    },
    plugins: {
      tooltip: {
        callbacks: {
          title: (items) => printDayClock(Number(items[0]?.parsed.x), zone),
          label: (item) => `${item.dataset.label}: ${Number(item.parsed.y).toFixed(1)} °C`,
        },
      },
    },
  };
  const clock = clocks[shown.step.id];
  return (
    <div>
      <fieldset className="chart-choice" aria-label="Which step">
        {measured.map((entry) => (
          <button key={entry.step.id} type="button" className="act act-small" aria-pressed={entry === shown} onClick={() => setPicked(entry.step.id)}>
            {entry.step.title}
          </button>
        ))}
      </fieldset>
      <div className="chart">
        <Line data={{ datasets }} options={options} aria-label={`Temperature of ${shown.step.title}, highest ${clock?.highestC ?? 'unknown'} °C`} />
      </div>
      <p className="quiet small">
        Ink: the bath. Grey strip: the band{hold?.bandC ? ` ${hold.bandC[0]}–${hold.bandC[1]} °C` : ' is unknown'}.{' '}
        {hold?.ceilingC ? `Dashed: never above ${hold.ceilingC} °C. ` : ''}
        {clock?.highestC ? `Highest ${clock.highestC.toFixed(1)} °C` : ''}
        {clock?.lowestHoldC ? `, lowest in the hold ${clock.lowestHoldC.toFixed(1)} °C` : ''}.
      </p>
    </div>
  );
}
