'use client';
import { useState } from 'react';
import type { BathPage } from '@/contract/baths';
import { reuseDose } from '@/core/liquor/reuse';
import { printMass } from '@/core/measure/print';
import { Field } from '../form/Field';
import { TypedInput } from '../form/TypedInput';
import { massReader, numberReader, typedValue } from '../form/typed';
import { usePrint } from '../shell/facts';
import { Panel } from '../shell/Page';

/** A mordant bath for the next goods: by what is left in it, and by the school that counts nothing left. */
export function TopUpSum({ bath, isMordant }: { bath: BathPage; isMordant: (substance: string) => boolean }) {
  const print = usePrint();
  const [fibre, setFibre] = useState('');
  const [percent, setPercent] = useState('10');
  const salt = bath.solutes.find(({ substance, unit, left }) => isMordant(substance) && unit === 'g' && left !== null && left > 0);
  if (!salt?.left) return null;
  const nextG = typedValue(massReader(print.measures), fibre);
  const pct = typedValue(numberReader(0, 100, '%'), percent);
  const leftG = { low: salt.leftAtLeast ?? salt.left, likely: salt.left, high: salt.leftAtMost ?? salt.left };
  const sum = nextG === null || pct === null ? null : reuseDose(leftG, nextG, pct);
  const span = (low: number, high: number) =>
    printMass(round(low)) === printMass(round(high)) ? printMass(round(low)) : `${printMass(round(low))} – ${printMass(round(high))}`;
  return (
    <Panel title="Use it again as a mordant" label="Use it again as a mordant">
      <p>{salt.name}</p>
      <div className="fields">
        <Field label="Next goods, dry">
          {(id) => <TypedInput id={id} placeholder="100 g" value={fibre} read={massReader(print.measures)} onChange={setFibre} />}
        </Field>
        <Field label="Wanted, % of their weight">{(id) => <TypedInput id={id} value={percent} read={numberReader(0, 100, '%')} onChange={setPercent} />}</Field>
      </div>
      {sum ? (
        <ul className="stack stack-tight" aria-live="polite">
          <li>
            By what is left in it ({span(sum.leftG.low, sum.leftG.high)}): put in <strong>{print.says(span(sum.topUpG.low, sum.topUpG.high))}</strong>. What
            goods take is our estimate.
          </li>
          <li>
            By the school that counts nothing left: put in <strong>{print.mass(round(sum.fullG))}</strong>. Sure to be enough; the bath grows stronger from load
            to load.
          </li>
        </ul>
      ) : (
        <p className="quiet">Type the weight of the next goods, and both schools say how much to put in.</p>
      )}
    </Panel>
  );
}

const round = (g: number): number => Number(g.toPrecision(2));
