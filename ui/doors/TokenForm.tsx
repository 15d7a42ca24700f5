'use client';
import { Form, Input, Radio, Select } from 'antd';
import { useState } from 'react';
import { newToken } from '@/contract/doors';
import { post } from '../api/http';
import { newId } from '../api/newId';
import { FormSheet } from '../form/FormSheet';

interface Values {
  readonly name: string;
  readonly kind: 'probe' | 'look' | 'all';
  readonly probeId: string | null;
}
interface Props {
  readonly probes: readonly { readonly id: string; readonly name: string }[];
  readonly onMade: (made: { name: string; secret: string }) => void;
  readonly onClose: () => void;
}

/** A token for a probe or a program. */
export function TokenForm({ probes, onMade, onClose }: Props) {
  const [id] = useState(newId);
  const first: Values = { name: '', kind: probes.length > 0 ? 'probe' : 'look', probeId: probes[0]?.id ?? null };
  return (
    <FormSheet<Values>
      name="token-new"
      title="Make a token"
      okText="Make it"
      first={first}
      body={({ name, kind, probeId }) => ({ id, name, scope: kind === 'probe' ? { kind, probeId: probeId ?? '' } : { kind } })}
      schema={newToken}
      places={{ 'scope.probeId': 'probeId' }}
      send={async (body) => {
        const made = await post<{ secret: string }>('/doors/tokens', body);
        onMade({ name: (body as { name: string }).name, secret: made.secret });
      }}
      onDone={onClose}
      onClose={onClose}
    >
      {(values) => (
        <>
          <Form.Item name="name" label="Name">
            <Input maxLength={120} placeholder="Probe in the shed" />
          </Form.Item>
          <Form.Item name="kind" label="It opens">
            <Radio.Group
              options={[
                { value: 'probe', label: 'readings of one probe' },
                { value: 'look', label: 'looking only' },
                { value: 'all', label: 'everything' },
              ]}
            />
          </Form.Item>
          {values.kind === 'probe' ? (
            <Form.Item name="probeId" label="Probe" extra={probes.length === 0 ? 'There is no probe yet: add one under Probes above.' : undefined}>
              <Select options={probes.map((probe) => ({ value: probe.id, label: probe.name }))} />
            </Form.Item>
          ) : null}
        </>
      )}
    </FormSheet>
  );
}
