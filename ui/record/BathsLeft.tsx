'use client';
import { Button } from 'antd';
import { useState } from 'react';
import type { RunView } from '@/contract/views';
import { figureText } from '@/core/figure';
import { printNumber } from '@/core/measure/print';
import { type BathLeft, bathsLeft } from '@/core/run/bathsLeft';
import { foldRun } from '@/core/run/fold';
import type { Dyestuff } from '@/core/shelf/dyestuff';
import type { Liquor } from '@/core/shelf/liquor';
import { useLoaded } from '../api/useLoaded';
import { Caution } from '../shell/Findings';
import { usePrint } from '../shell/facts';
import { later } from '../shell/later';
import { Panel } from '../shell/Page';

const LiquorForm = later(() => import('../shelf/LiquorForm').then((module) => module.LiquorForm));

/** The baths that stand there now: a dye liquor may be kept; the rest is poured away with a thought. */
export function BathsLeft({ view }: { view: RunView }) {
  const print = usePrint();
  const dyestuffs = useLoaded<Dyestuff[]>('/dyestuffs');
  const [keeping, setKeeping] = useState<BathLeft | null>(null);
  const baths = bathsLeft(view.plan, foldRun(view.plan.steps, view.events));
  if (baths.length === 0) return null;
  const from = (bath: BathLeft): Partial<Omit<Liquor, 'id' | 'revision' | 'retired'>> => ({
    name: `${view.plan.name}, after ${bath.title.toLowerCase()}`.slice(0, 120),
    dyestuffId: bath.dyestuffId,
    volumeMl: bath.volumeMl,
    ph: bath.ph,
    madeAtMs: Math.round(bath.doneAtMs),
    from: { runId: view.run.id, stepId: bath.stepId },
  });
  return (
    <Panel title="Baths left">
      <Caution severity="caution" text="before pouring: what is in it, where does the drain go, do local rules allow it? Cool it first." />
      <ul className="stack">
        {baths.map((bath) => (
          <li key={bath.stepId} className="bath-left">
            <div className="line">
              <span>
                <strong>{bath.title}</strong> in {view.plan.vessels.find((vessel) => vessel.id === bath.vesselId)?.name ?? 'its vessel'},{' '}
                {figureText(bath.volumeMl, print.volume)}
                {bath.ph === null ? '' : `, pH ${printNumber(bath.ph)}`}
              </span>
              {bath.dyestuffId ? (
                <Button size="small" onClick={() => setKeeping(bath)}>
                  Keep this liquor
                </Button>
              ) : null}
            </div>
            {bath.pour.map((way) => (
              <p key={way} className="quiet small">
                {print.says(way)}
              </p>
            ))}
          </li>
        ))}
      </ul>
      {keeping && dyestuffs.state === 'ready' ? (
        <LiquorForm liquor={null} from={from(keeping)} dyestuffs={dyestuffs.value} onClose={() => setKeeping(null)} />
      ) : null}
    </Panel>
  );
}
