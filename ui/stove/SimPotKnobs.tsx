'use client';
import { Select, Slider, Switch } from 'antd';
import { useState } from 'react';
import type { SimPotView } from '@/contract/views';
import { errorText, put } from '../api/http';
import { useLoaded } from '../api/useLoaded';
import { Notice } from '../shell/Notice';
import type { SimPotProps } from './SimPot';

const FACTORS = [1, 10, 60, 600] as const;

/** Knobs of the stand-in for a pot and its probe: to practise, or where there is no probe. */
export function SimPotKnobs({ vesselId, litres, onHeat }: SimPotProps) {
  const pots = useLoaded<SimPotView[]>('/sim-pots');
  const [problem, setProblem] = useState<string | null>(null);
  // The slider follows the finger; the pot hears of it when the finger is lifted.
  const [dragged, setDragged] = useState<number | null>(null);
  if (pots.state !== 'ready') return <p className="quiet">…</p>;
  const pot = pots.value.find((p) => p.vesselId === vesselId);
  const turn = (change: Partial<Pick<SimPotView, 'on' | 'burner' | 'lid' | 'litres' | 'factor'>>) => {
    const now = pot ?? { on: false, burner: 0, lid: true, litres: Math.round(litres * 10) / 10, factor: 1 };
    const { on, burner, lid, litres: filled, factor } = { ...now, ...change };
    put(`/sim-pots/${vesselId}`, { on, burner, lid, litres: filled, factor }).then(
      () => {
        setProblem(null);
        setDragged(null);
        if (change.burner !== undefined || change.lid !== undefined) onHeat(burner, lid);
        pots.reload();
      },
      (error: unknown) => setProblem(errorText(error)),
    );
  };
  const burner = dragged ?? pot?.burner ?? 0;
  return (
    <div className="stack">
      <div className="line">
        <span className="line line-tight">
          <Switch aria-label="probe tells" checked={pot?.on ?? false} onChange={(on) => turn({ on })} /> probe tells
        </span>
        <span className="line line-tight">
          <Switch aria-label="lid on" checked={pot?.lid ?? true} onChange={(lid) => turn({ lid })} /> lid on
        </span>
        <span className="line line-tight">
          speed
          <Select
            aria-label="speed"
            value={pot?.factor ?? 1}
            options={[...new Set([...FACTORS, pot?.factor ?? 1])].map((factor) => ({ value: factor, label: `${factor}×` }))}
            onChange={(factor) => turn({ factor })}
            style={{ width: 92 }}
          />
        </span>
      </div>
      <div>
        burner {burner}
        <Slider
          ariaLabelForHandle="burner"
          min={0}
          max={10}
          step={0.5}
          value={burner}
          onChange={setDragged}
          onChangeComplete={(value) => turn({ burner: value })}
        />
      </div>
      {problem ? <Notice kind="fault">{problem}</Notice> : null}
    </div>
  );
}
