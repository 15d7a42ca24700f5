'use client';
import { Segmented } from 'antd';
import { CategoryScale, Chart as ChartJs, type ChartOptions, Filler, LinearScale, LineElement, PointElement, Tooltip } from 'chart.js';
import { useState } from 'react';
import { Line } from 'react-chartjs-2';
import type { RunView } from '@/contract/views';
import { celsiusToF } from '@/core/measure/temperature';
import type { StepClock } from '@/core/run/clock';
import { foldRun } from '@/core/run/fold';
import { readingsOf } from '@/core/run/readings';
import { usePrint } from '../shell/facts';
import { useIsNight } from '../theme/lighting';
import { DAY, NIGHT } from '../theme/room';
import { thinned } from './curvePoints';

ChartJs.register(LinearScale, CategoryScale, PointElement, LineElement, Filler, Tooltip);
ChartJs.defaults.font.size = 13;

interface Props {
  readonly view: RunView;
  readonly clocks: Readonly<Record<string, StepClock>>;
  readonly chosenStepId: string | null;
}

/** One step's curve with its band as a grey strip and its ceiling as a dashed line. */
export function TemperatureChart({ view, clocks, chosenStepId }: Props) {
  const { plan } = view;
  const print = usePrint();
  const colours = useIsNight() ? NIGHT : DAY;
  const state = foldRun(plan.steps, view.events);
  const measured = plan.steps.flatMap((step) => {
    const own = state.steps[step.id];
    const readings = own ? readingsOf(step, own, view.readings) : [];
    return readings.length > 1 ? [{ step, readings }] : [];
  });
  const [picked, setPicked] = useState<string | null>(null);
  const shown = measured.find((entry) => entry.step.id === (chosenStepId ?? picked)) ?? measured.find((entry) => entry.step.kind === 'dye') ?? measured[0];
  if (!shown) return <p className="quiet">No temperature was logged, typed or by probe.</p>;
  const isF = print.measures.temperature === 'F';
  const degrees = (c: number) => (isF ? celsiusToF(c) : c);
  // The canvas knows no custom properties: it is told the family that the page uses.
  ChartJs.defaults.font.family = getComputedStyle(document.body).fontFamily;
  const hold = shown.step.phases.find((phase) => phase.kind === 'hold');
  const points = thinned(shown.readings).map((reading) => ({ x: reading.atMs, y: degrees(reading.bathC) }));
  const [from, to] = [points[0]?.x ?? 0, points.at(-1)?.x ?? 1];
  const level = (c: number) => [
    { x: from, y: degrees(c) },
    { x: to, y: degrees(c) },
  ];
  const plain = { pointRadius: 0, borderWidth: 1, borderColor: colours.ink2, borderDash: [] as number[] };
  const datasets = [
    ...(hold?.bandC
      ? [
          { ...plain, label: 'band from', data: level(hold.bandC[0]) },
          { ...plain, label: 'band up to', data: level(hold.bandC[1]), fill: '-1', backgroundColor: `${colours.ink}20` },
        ]
      : []),
    ...(hold?.ceilingC ? [{ ...plain, label: 'never above', data: level(hold.ceilingC), borderDash: [7, 5], borderWidth: 1.5 }] : []),
    { label: 'bath', data: points, borderColor: colours.ink, borderWidth: 2, pointRadius: 0, tension: 0 },
  ];
  const ticks = { color: colours.ink2 };
  const grid = { color: `${colours.ink2}40` };
  const scale = isF ? '°F' : '°C';
  const options: ChartOptions<'line'> = {
    animation: false,
    parsing: false,
    maintainAspectRatio: false,
    interaction: { mode: 'nearest', axis: 'x', intersect: false },
    scales: {
      x: { type: 'linear', min: from, max: to, ticks: { ...ticks, maxTicksLimit: 7, callback: (value) => print.clock(Number(value)) }, grid },
      y: { title: { display: true, text: scale, color: colours.ink2 }, ticks, suggestedMin: degrees(10), suggestedMax: degrees(95), grid },
    },
    plugins: {
      tooltip: {
        callbacks: {
          title: (items) => print.dayClock(Number(items[0]?.parsed.x)),
          label: (item) => `${item.dataset.label}: ${Number(item.parsed.y).toFixed(isF ? 0 : 1)} ${scale}`,
        },
      },
    },
  };
  const clock = clocks[shown.step.id];
  return (
    <>
      {measured.length > 1 ? (
        <Segmented
          aria-label="Which step"
          value={shown.step.id}
          options={measured.map((entry) => ({ value: entry.step.id, label: entry.step.title }))}
          onChange={setPicked}
          style={{ alignSelf: 'flex-start', maxWidth: '100%', overflowX: 'auto' }}
        />
      ) : null}
      <div className="chart" style={{ height: 320 }}>
        <Line
          data={{ datasets }}
          options={options}
          aria-label={`Temperature of ${shown.step.title}, highest ${clock?.highestC ? print.temperature(clock.highestC) : 'unknown'}`}
        />
      </div>
      <p className="quiet small">
        Ink: the bath. Grey strip: the band{hold?.bandC ? ` ${print.band(hold.bandC)}` : ' is unknown'}.{' '}
        {hold?.ceilingC ? `Dashed: never above ${print.temperature(hold.ceilingC)}. ` : ''}
        {clock?.highestC ? `Highest ${print.temperature(clock.highestC)}` : ''}
        {clock?.lowestHoldC ? `, lowest in the hold ${print.temperature(clock.lowestHoldC)}` : ''}.
      </p>
    </>
  );
}
