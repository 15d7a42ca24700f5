'use client';
import { DatePicker, Input, Modal, Select } from 'antd';
import { useState } from 'react';
import { type Certainty, TREATMENTS, type TreatmentKind } from '@/core/fibre/passport';
import { readNumber } from '@/core/measure/parseNumber';
import { post } from '../api/http';
import { newId } from '../api/newId';
import { useSave } from '../api/useSave';
import { Field, FormProblem } from '../shell/Field';
import { dayjsIn, msFromPicker } from '../shell/zonedPicker';
import { CERTAINTY_WORD, TREATMENT_WORD } from './lotText';

/** A line of a lot's past, by hand. */
export function TreatmentForm({ lotId, zone, onClose, onSaved }: { lotId: string; zone: string; onClose: () => void; onSaved: () => void }) {
  const [id] = useState(newId);
  const [fields, setFields] = useState({
    kind: 'mordant' as TreatmentKind,
    certainty: 'believed' as Certainty,
    substance: '',
    pct: '',
    part: '',
    note: '',
    atMs: null as number | null,
  });
  const { errors, saving, save, refuse } = useSave(['wofPct']);
  const set = (change: Partial<typeof fields>) => setFields({ ...fields, ...change });
  const keep = () => {
    const { kind, certainty, substance, pct, part, note, atMs } = fields;
    const number = readNumber(pct);
    if (pct.trim() !== '' && number?.rest.replace('%', '').trim() !== '')
      return refuse('wofPct', 'Write the percent as a number, or leave it empty when nobody knows.');
    void save(
      () =>
        post(`/lots/${lotId}/treatments`, {
          id,
          kind,
          certainty,
          substance: substance.trim() || null,
          part: part.trim() || null,
          note,
          atMs,
          wofPct: number ? { state: certainty === 'known' ? 'measured' : 'estimated', value: number.value } : { state: 'unknown' },
        }),
      () => {
        onSaved();
        onClose();
      },
    );
  };
  return (
    <Modal open title="Add to its past" okText="Keep" cancelText="Not now" okButtonProps={{ disabled: saving }} onOk={keep} onCancel={onClose}>
      <div className="params">
        <Field label="What was done">
          <Select value={fields.kind} onChange={(kind) => set({ kind })} options={TREATMENTS.map((value) => ({ value, label: TREATMENT_WORD[value] }))} />
        </Field>
        <Field label="How well is it known">
          <Select
            value={fields.certainty}
            onChange={(certainty) => set({ certainty })}
            options={(Object.keys(CERTAINTY_WORD) as Certainty[]).map((value) => ({ value, label: CERTAINTY_WORD[value] }))}
          />
        </Field>
        <Field label="With what">
          <Input value={fields.substance} maxLength={120} placeholder="unknown" onChange={(event) => set({ substance: event.target.value })} />
        </Field>
        <Field label="Percent of its weight" problem={errors.wofPct}>
          <Input value={fields.pct} placeholder="unknown" onChange={(event) => set({ pct: event.target.value })} />
        </Field>
        <Field label="Which part" hint="Empty: all of it.">
          <Input value={fields.part} maxLength={60} placeholder="all of it" onChange={(event) => set({ part: event.target.value })} />
        </Field>
        <Field label="When">
          <DatePicker
            value={fields.atMs === null ? null : dayjsIn(fields.atMs, zone)}
            format="ddd D MMM YYYY"
            placeholder="no date"
            onChange={(value) => set({ atMs: value ? msFromPicker(value, zone) : null })}
            style={{ width: '100%' }}
          />
        </Field>
      </div>
      <Field label="Note">
        <Input.TextArea value={fields.note} autoSize={{ minRows: 2 }} onChange={(event) => set({ note: event.target.value })} />
      </Field>
      <FormProblem text={errors['']} />
    </Modal>
  );
}
