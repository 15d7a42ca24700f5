'use client';
import { Form, Input, Select } from 'antd';
import { useState } from 'react';
import { fastnessInput } from '@/contract/fastness';
import type { LotView } from '@/contract/views';
import { USUAL_DAYS } from '@/core/fastness/fastness';
import type { FastnessKind } from '@/core/fastness/parts';
import { post } from '../api/http';
import { newId } from '../api/newId';
import { nowMs } from '../api/serverClock';
import { FormSheet } from '../form/FormSheet';
import { Hidden } from '../form/Hidden';

interface Values {
  readonly id: string;
  readonly days: readonly string[];
  readonly note: string;
}

const SET_UP: Record<FastnessKind, string> = {
  light: 'Lay half of a piece under card, tape the edge, hang it in the window it will live in. Each look reads both halves.',
  wash: 'Cut a piece in two. Wash one as it will be used, with a white cloth sewn to it; keep the other, and a piece of the same white cloth. The look reads all four.',
};

/** Begins a light or wash test: it begins now, and is looked at on its days. */
export function FastnessForm({ lot, kind, onClose }: { lot: LotView; kind: FastnessKind; onClose: () => void }) {
  const [id] = useState(newId);
  const first: Values = { id, days: USUAL_DAYS[kind].map(String), note: '' };
  return (
    <FormSheet<Values>
      name={`fastness-${lot.id}-${kind}`}
      title={kind === 'light' ? `A light test of ${lot.name}` : `A wash test of ${lot.name}`}
      okText="Begin it"
      first={first}
      body={({ id: own, days, note }) => ({
        id: own,
        kind,
        lotId: lot.id,
        beganAtMs: Math.round(nowMs()),
        lookDays: [...new Set(days.map(Number))].toSorted((a, b) => a - b),
        note: note.trim(),
      })}
      schema={fastnessInput}
      places={{ lookDays: 'days' }}
      send={(body) => post('/fastness', body)}
      onDone={onClose}
      onClose={onClose}
    >
      {() => (
        <>
          <Hidden names={['id']} />
          <p>{SET_UP[kind]}</p>
          <Form.Item
            name="days"
            label="Looked at after so many days"
            extra="Each look is called for on Now."
            validateTrigger={[]}
            rules={[
              {
                validator: (_rule, days: readonly string[]) => {
                  const bad = days.find((day) => !/^\d+$/.test(day.trim()));
                  return bad === undefined ? Promise.resolve() : Promise.reject(new Error(`“${bad}” is no number of days. Write 7 or 28.`));
                },
              },
            ]}
          >
            <Select mode="tags" open={false} suffix={null} tokenSeparators={[',', ';', ' ']} />
          </Form.Item>
          <Form.Item name="note" label="Note">
            <Input.TextArea autoSize={{ minRows: 2 }} placeholder={kind === 'light' ? 'South window, end of November' : 'By hand, 30 °C, the soap we use'} />
          </Form.Item>
        </>
      )}
    </FormSheet>
  );
}
