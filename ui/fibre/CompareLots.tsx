'use client';
import { useQuery } from '@tanstack/react-query';
import { Select, Table } from 'antd';
import { useState } from 'react';
import type { LotView } from '@/contract/views';
import { compareLots } from '@/core/compare/passports';
import { get } from '../api/http';
import { useLoaded } from '../api/useLoaded';
import { usePrint } from '../shell/facts';
import { Panel } from '../shell/Page';

const VERDICT = { same: 'same', differs: 'differs', cannotTell: 'cannot tell' } as const;

/** This lot beside another, factor by factor. What is only believed is never called the same. */
export function CompareLots({ lot }: { lot: LotView }) {
  const lots = useLoaded<LotView[]>('/lots');
  const print = usePrint();
  const [otherId, setOtherId] = useState<string | null>(null);
  // With all that is known of it: a list of lots does not ask the probes.
  const { data: other } = useQuery({ queryKey: [`/lots/${otherId}`], queryFn: () => get<LotView>(`/lots/${otherId}`), enabled: otherId !== null });
  if (lots.state !== 'ready') return null;
  const compared = other && compareLots(lot, other);
  return (
    <Panel title="Beside another lot">
      <Select
        value={otherId}
        placeholder="Choose a lot"
        showSearch={{ optionFilterProp: 'label' }}
        aria-label="Compare with"
        options={lots.value.filter((one) => one.id !== lot.id).map((one) => ({ value: one.id, label: one.name }))}
        onChange={(id: string) => setOtherId(id)}
        style={{ width: 320, maxWidth: '100%' }}
      />
      {compared && other ? (
        <>
          <p>
            <strong>{compared.says}</strong>
          </p>
          <div className="frame frame-wide compare">
            <Table
              size="small"
              pagination={false}
              rowKey="what"
              dataSource={[...compared.factors]}
              columns={[
                { title: 'What', dataIndex: 'what', rowScope: 'row' },
                { title: lot.name, dataIndex: 'a', render: (text: string) => print.says(text) },
                { title: other.name, dataIndex: 'b', render: (text: string) => print.says(text) },
                {
                  title: 'So',
                  dataIndex: 'verdict',
                  render: (verdict: keyof typeof VERDICT) => <span className={verdict === 'same' ? 'quiet' : undefined}>{VERDICT[verdict]}</span>,
                },
              ]}
            />
          </div>
        </>
      ) : null}
    </Panel>
  );
}
