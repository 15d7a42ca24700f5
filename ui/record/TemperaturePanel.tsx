'use client';
import { Button, Segmented } from 'antd';
import { useMemo, useState } from 'react';
import type { RunView } from '@/contract/views';
import { countText } from '@/core/measure/print';
import type { Plan } from '@/core/plan/plan';
import type { StepClock } from '@/core/run/clock';
import { DOUBTS, type Doubt } from '@/core/run/doubts';
import { foldRun } from '@/core/run/fold';
import { doubtedIn, readingsOf } from '@/core/run/readings';
import { usePrint } from '../shell/facts';
import { Guard } from '../shell/Guard';
import { later } from '../shell/later';
import { Panel } from '../shell/Page';

const LoggerDialog = later(() => import('./LoggerDialog').then((module) => module.LoggerDialog));

const CHART_PX = 320;
// The curve is drawn a moment after the page; its words and its place are there at once.
const TemperatureChart = later(() => import('./TemperatureChart').then((module) => module.TemperatureChart));

interface Props {
  readonly view: RunView;
  readonly clocks: Readonly<Record<string, StepClock>>;
  readonly chosenStepId: string | null;
}

/** One step's curve with its band and ceiling, and what it says in words. */
export function TemperaturePanel({ view, clocks, chosenStepId }: Props) {
  const { plan } = view;
  const print = usePrint();
  const [picked, setPicked] = useState<string | null>(null);
  const measured = useMemo(() => {
    const state = foldRun(plan.steps, view.events);
    return plan.steps.flatMap((step) => {
      const own = state.steps[step.id];
      const readings = own ? readingsOf(step, own, view.readings) : [];
      return own && readings.length > 1 ? [{ step, readings, doubted: doubtedIn(step, own, view.readings) }] : [];
    });
  }, [plan, view.events, view.readings]);
  // One reading makes no curve; it was measured all the same.
  const single = useMemo(() => {
    const state = foldRun(plan.steps, view.events);
    return plan.steps.flatMap((step) => {
      const own = state.steps[step.id];
      const [reading, ...more] = own ? readingsOf(step, own, view.readings) : [];
      return reading && more.length === 0 ? [{ title: step.title, reading }] : [];
    });
  }, [plan, view.events, view.readings]);
  const shown = measured.find((entry) => entry.step.id === (chosenStepId ?? picked)) ?? measured.find((entry) => entry.step.kind === 'dye') ?? measured[0];
  if (!shown)
    return (
      <Panel title="Temperature" acts={<TakeReadings plan={plan} />}>
        {single.length === 0 ? <p className="quiet">No temperature was logged, typed or by probe.</p> : <Single single={single} />}
      </Panel>
    );
  const hold = shown.step.phases.find((phase) => phase.kind === 'hold');
  const clock = clocks[shown.step.id];
  const highest = clock?.highestC == null ? 'unknown' : print.temperature(clock.highestC);
  return (
    <Panel title="Temperature" acts={<TakeReadings plan={plan} />}>
      {measured.length > 1 ? (
        <Segmented
          aria-label="Which step"
          value={shown.step.id}
          options={measured.map((entry) => ({ value: entry.step.id, label: entry.step.title }))}
          onChange={setPicked}
          style={{ alignSelf: 'flex-start', maxWidth: '100%', overflowX: 'auto' }}
        />
      ) : null}
      <div className="chart" style={{ height: CHART_PX }}>
        <Guard what="The curve">
          <TemperatureChart
            label={`Temperature of ${shown.step.title}, highest ${highest}`}
            readings={shown.readings}
            bandC={hold?.bandC ?? null}
            ceilingC={hold?.ceilingC ?? null}
          />
        </Guard>
      </div>
      <p className="quiet small">
        Ink: the bath. Grey strip: the band{hold?.bandC ? ` ${print.band(hold.bandC)}` : ' is unknown'}.{' '}
        {hold?.ceilingC == null ? '' : `Dashed: never above ${print.temperature(hold.ceilingC)}. `}
        Highest {highest}
        {clock?.lowestHoldC == null ? '' : `, lowest in the hold ${print.temperature(clock.lowestHoldC)}`}.{doubtedText(shown.doubted)}
      </p>
    </Panel>
  );
}

function TakeReadings({ plan }: { plan: Plan }) {
  const [open, setOpen] = useState(false);
  const vesselIds = plan.steps.flatMap(({ vesselId }) => (vesselId ? [vesselId] : []));
  return (
    <>
      <Button size="small" onClick={() => setOpen(true)}>
        Take a logger’s readings in
      </Button>
      {open ? <LoggerDialog zone={plan.home.diary.zone} vesselIds={vesselIds} onClose={() => setOpen(false)} /> : null}
    </>
  );
}

const SAYS: Record<Doubt, string> = {
  jumped: 'jumped away alone and back',
  impossible: 'can be no bath',
  stuck: 'never changed any more, as if the probe hung',
};

/** What the probe said and nobody believes, in words. */
function doubtedText(doubted: Readonly<Record<Doubt, number>>): string {
  const said = DOUBTS.filter((doubt) => doubted[doubt] > 0).map((doubt) => `${countText(doubted[doubt], 'reading')} ${SAYS[doubt]}`);
  return said.length === 0 ? '' : ` Of the probe ${said.join(', ')}: kept in the table, not believed here.`;
}

function Single({ single }: { single: readonly { readonly title: string; readonly reading: { readonly atMs: number; readonly bathC: number } }[] }) {
  const print = usePrint();
  return (
    <ul>
      {single.map(({ title, reading }) => (
        <li key={title}>
          {title}: {print.temperature(reading.bathC)} at {print.dayClock(reading.atMs)}, the only reading
        </li>
      ))}
    </ul>
  );
}
