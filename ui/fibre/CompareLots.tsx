'use client';
import { Select } from 'antd';
import { useState } from 'react';
import type { LotView } from '@/contract/views';
import { compareLots } from '@/core/compare/passports';
import { useLoaded } from '../api/useLoaded';

const VERDICT = { same: 'same', differs: 'differs', cannotTell: 'cannot tell' } as const;

/** This lot beside another, factor by factor. What is only believed is never called the same. */
export function CompareLots({ lot }: { lot: LotView }) {
  const lots = useLoaded<LotView[]>('/lots', (message) => message.kind === 'changed' && message.what === 'lot');
  const [otherId, setOtherId] = useState<string | null>(null);
  if (lots.state !== 'ready') return null;
  const other = lots.value.find((one) => one.id === otherId);
  const compared = other && compareLots(lot, other);
  return (
    <section className="panel">
      <h2>Beside another lot</h2>
      <Select
        value={otherId}
        placeholder="Choose a lot"
        showSearch={{ optionFilterProp: 'label' }}
        aria-label="Compare with"
        options={lots.value.filter((one) => one.id !== lot.id).map((one) => ({ value: one.id, label: one.name }))}
        onChange={(id: string) => setOtherId(id)}
        style={{ minWidth: 260 }}
      />
      {compared && other ? (
        <>
          <p>
            <strong>{compared.says}</strong>
          </p>
          <table className="compare">
            <thead>
              <tr>
                <th scope="col">What</th>
                <th scope="col">{lot.name}</th>
                <th scope="col">{other.name}</th>
                <th scope="col" />
              </tr>
            </thead>
            <tbody>
              {compared.factors.map((factor) => (
                <tr key={factor.what}>
                  <th scope="row">{factor.what}</th>
                  <td>{factor.a}</td>
                  <td>{factor.b}</td>
                  <td className={factor.verdict === 'same' ? 'quiet' : undefined}>{VERDICT[factor.verdict]}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      ) : null}
    </section>
  );
}
