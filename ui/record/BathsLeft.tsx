'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { RunView } from '@/contract/views';
import { printVolume } from '@/core/measure/print';
import { type BathLeft, bathsLeft } from '@/core/run/bathsLeft';
import { foldRun } from '@/core/run/fold';
import type { Liquor } from '@/core/shelf/liquor';
import { useBook } from '../api/useBook';
import { figureText } from '../fibre/lotText';

const LiquorForm = dynamic(() => import('../shelf/LiquorForm').then((module) => module.LiquorForm));

/** The baths that stand there now: a dye liquor may be kept; the rest is poured away with a thought. */
export function BathsLeft({ view }: { view: RunView }) {
  const book = useBook();
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
    <section className="panel">
      <h2>Baths left</h2>
      <p className="finding finding-caution">
        <span>
          <strong>Care</strong>: before pouring: what is in it, where does the drain go, do local rules allow it? Cool it first.
        </span>
      </p>
      <ul className="plain">
        {baths.map((bath) => (
          <li key={bath.stepId} className="bath-left">
            <strong>{bath.title}</strong> in {view.plan.vessels.find((vessel) => vessel.id === bath.vesselId)?.name ?? 'its vessel'},{' '}
            {figureText(bath.volumeMl, printVolume)}
            {bath.ph === null ? '' : `, pH ${bath.ph}`}
            {bath.pour.map((way) => (
              <span key={way} className="quiet small">
                {way}
              </span>
            ))}
            {bath.dyestuffId ? (
              <button type="button" className="act act-small" onClick={() => setKeeping(bath)}>
                Keep this liquor
              </button>
            ) : null}
          </li>
        ))}
      </ul>
      {keeping && book.state === 'ready' ? (
        <LiquorForm
          liquor={null}
          from={from(keeping)}
          book={book.value}
          zone={view.plan.home.diary.zone}
          onClose={() => setKeeping(null)}
          onSaved={book.reload}
        />
      ) : null}
    </section>
  );
}
