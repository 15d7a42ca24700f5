import { Button } from 'antd';
import { useRef, useState } from 'react';
import { plainVessel } from '@/contract/plainVessel';
import type { Vessel } from '@/core/kitchen/vessel';
import { isNeeded, neededText } from '@/core/plan/neededVessel';
import { errorText, post } from '../api/http';
import { newId } from '../api/newId';
import { useLoaded } from '../api/useLoaded';
import { Notice } from '../shell/Notice';

/** What the plan needs and the kitchen lacks, each added in one tap; it can be changed on the shelf any time. */
export function MissingVessels({ vessels }: { vessels: readonly Vessel[] }) {
  const kitchen = useLoaded<Vessel[]>('/vessels');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState<string | null>(null);
  // Pressed again after a lost answer, it adds nothing twice.
  const ids = useRef(new Map<string, string>());
  const missing = vessels.filter(isNeeded);
  if (missing.length === 0) return null;
  const add = async (vessel: Vessel) => {
    const id = ids.current.get(vessel.id) ?? newId();
    ids.current.set(vessel.id, id);
    setBusy(vessel.id);
    setProblem(null);
    try {
      const { name, kind, litres, material, heatSourceId } = vessel;
      await post('/vessels', { id, ...plainVessel(name, 50, { kind, litres, material, heatSourceId }) });
      if (kitchen.state === 'ready') kitchen.reload();
    } catch (error) {
      setProblem(errorText(error));
    } finally {
      setBusy(null);
    }
  };
  return (
    <Notice
      acts={
        <div className="line line-tight">
          {missing.map((vessel) => (
            <Button key={vessel.id} loading={busy === vessel.id} onClick={() => void add(vessel)}>
              Add a {neededText(vessel)}
            </Button>
          ))}
        </div>
      }
    >
      {problem ?? 'The kitchen lacks something for this. The figures hold all the same.'}
    </Notice>
  );
}
