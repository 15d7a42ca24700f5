'use client';
import { useState } from 'react';
import type { SimPotView } from '@/contract/views';
import { errorText, put } from '../api/http';
import { useLoaded } from '../api/useLoaded';

const FACTORS = [1, 10, 60, 600] as const;

/** Knobs of the stand-in for a pot and its probe: to practise, or where there is no probe. */
export function SimPotKnobs({ vesselId, litres }: { vesselId: string; litres: number }) {
  const [open, setOpen] = useState(false);
  return (
    <details className="sim" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>Simulated pot and probe</summary>
      {open ? <Knobs vesselId={vesselId} litres={litres} /> : null}
    </details>
  );
}

function Knobs({ vesselId, litres }: { vesselId: string; litres: number }) {
  const pots = useLoaded<SimPotView[]>('/sim-pots', (message) => message.kind === 'changed' && message.what === 'simPot');
  const [problem, setProblem] = useState<string | null>(null);
  if (pots.state !== 'ready') return <p className="quiet">…</p>;
  const pot = pots.value.find((p) => p.vesselId === vesselId);
  const turn = (change: Partial<Pick<SimPotView, 'on' | 'burner' | 'lid' | 'litres' | 'factor'>>) => {
    const now = pot ?? { on: false, burner: 0, lid: true, litres: Math.round(litres * 10) / 10, factor: 1 };
    const { on, burner, lid, litres: filled, factor } = { ...now, ...change };
    put(`/sim-pots/${vesselId}`, { on, burner, lid, litres: filled, factor }).then(
      () => {
        setProblem(null);
        pots.reload();
      },
      (error: unknown) => setProblem(errorText(error)),
    );
  };
  return (
    <div className="sim-knobs">
      <label>
        <input type="checkbox" checked={pot?.on ?? false} onChange={(event) => turn({ on: event.target.checked })} /> probe tells
      </label>
      <label>
        <input type="checkbox" checked={pot?.lid ?? true} onChange={(event) => turn({ lid: event.target.checked })} /> lid on
      </label>
      <label className="sim-burner">
        burner {pot?.burner ?? 0}
        <input type="range" min={0} max={10} step={0.5} value={pot?.burner ?? 0} onChange={(event) => turn({ burner: Number(event.target.value) })} />
      </label>
      <label>
        speed{' '}
        <select value={pot?.factor ?? 1} onChange={(event) => turn({ factor: Number(event.target.value) })}>
          {[...new Set([...FACTORS, pot?.factor ?? 1])].map((factor) => (
            <option key={factor} value={factor}>
              {factor}×
            </option>
          ))}
        </select>
      </label>
      {problem ? <p className="field-error">{problem}</p> : null}
    </div>
  );
}
