'use client';
import { Form, Input, Select } from 'antd';
import { useState } from 'react';
import { treatmentInput } from '@/contract/schemas';
import { type Certainty, TREATMENTS, type TreatmentKind } from '@/core/fibre/passport';
import { post } from '../api/http';
import { newId } from '../api/newId';
import { DayField } from '../form/DayField';
import { FormSheet } from '../form/FormSheet';
import { TypedItem } from '../form/TypedItem';
import { numberReader, typedValue } from '../form/typed';
import { CERTAINTY_WORD, TREATMENT_WORD } from './lotText';

interface Values {
  readonly id: string;
  readonly kind: TreatmentKind;
  readonly certainty: Certainty;
  readonly substance: string;
  readonly pct: string;
  readonly part: string;
  readonly note: string;
  readonly atMs: number | null;
}

const percent = () => {
  const read = numberReader(0, 1000, '%');
  return (text: string) => {
    const got = read(text);
    return got.ok ? got : { ok: false as const, why: 'Write the percent as a number, or leave it empty when nobody knows.' };
  };
};

/** A line of a lot's past, by hand. */
export function TreatmentForm({ lotId, onClose }: { lotId: string; onClose: () => void }) {
  const [id] = useState(newId);
  return (
    <FormSheet<Values>
      name={`past-${lotId}`}
      title="Add to its past"
      first={{ id, kind: 'mordant', certainty: 'believed', substance: '', pct: '', part: '', note: '', atMs: null }}
      body={({ pct, substance, part, ...rest }) => {
        const value = typedValue(percent(), pct);
        return {
          ...rest,
          substance: substance.trim() || null,
          part: part.trim() || null,
          wofPct: value === null ? { state: 'unknown' } : { state: rest.certainty === 'known' ? 'measured' : 'estimated', value },
        };
      }}
      schema={treatmentInput}
      places={{ wofPct: 'pct' }}
      send={(body) => post(`/lots/${lotId}/treatments`, body)}
      onDone={onClose}
      onClose={onClose}
    >
      {() => (
        <>
          <div className="fields">
            <Form.Item name="kind" label="What was done">
              <Select options={TREATMENTS.map((value) => ({ value, label: TREATMENT_WORD[value] }))} />
            </Form.Item>
            <Form.Item name="certainty" label="How well is it known">
              <Select options={(Object.keys(CERTAINTY_WORD) as Certainty[]).map((value) => ({ value, label: CERTAINTY_WORD[value] }))} />
            </Form.Item>
            <Form.Item name="substance" label="With what">
              <Input maxLength={120} placeholder="unknown" />
            </Form.Item>
            <TypedItem name="pct" label="Percent of its weight" read={percent} placeholder="unknown" />
            <Form.Item name="part" label="Which part">
              <Input maxLength={60} placeholder="all of it" />
            </Form.Item>
            <Form.Item name="atMs" label="When">
              <DayField />
            </Form.Item>
          </div>
          <Form.Item name="note" label="Note">
            <Input.TextArea autoSize={{ minRows: 2 }} />
          </Form.Item>
        </>
      )}
    </FormSheet>
  );
}
