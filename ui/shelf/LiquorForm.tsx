'use client';
import { Checkbox, DatePicker, Input, InputNumber, Modal, Select } from 'antd';
import { useState } from 'react';
import type { Figure } from '@/core/figure';
import { parseIn, refusalText } from '@/core/measure/parseQuantity';
import { KEPT_IN, type Liquor, spoilByMs } from '@/core/shelf/liquor';
import { post, put } from '../api/http';
import { newId } from '../api/newId';
import { nowMs } from '../api/serverClock';
import type { Book } from '../api/useBook';
import { useSave } from '../api/useSave';
import { Field, FormProblem } from '../shell/Field';
import { dayjsIn, msFromPicker } from '../shell/zonedPicker';

interface Props {
  readonly liquor: Liquor | null;
  /** What is known already when a bath is kept after a run. */
  readonly from?: Partial<Omit<Liquor, 'id' | 'revision' | 'retired'>>;
  readonly book: Pick<Book, 'dyestuffs'>;
  readonly zone: string;
  readonly onClose: () => void;
  readonly onSaved: () => void;
}

const KEPT_WORD = { room: 'at room temperature', fridge: 'in a fridge', freezer: 'in a freezer' } as const;

/** A bath kept for later, with its age and the day by which it is used or binned. */
export function LiquorForm({ liquor, from = {}, book, zone, onClose, onSaved }: Props) {
  const [id] = useState(() => liquor?.id ?? newId());
  const [fields, setFields] = useState<Omit<Liquor, 'id' | 'revision' | 'retired'>>(() => {
    const madeAtMs = from.madeAtMs ?? Math.round(nowMs());
    const blank = {
      name: '',
      dyestuffId: null,
      volumeMl: { state: 'unknown' } as Figure,
      ph: null,
      madeAtMs,
      keptIn: 'fridge' as const,
      place: '',
      uses: 1,
      spoilByMs: spoilByMs(madeAtMs, 'fridge'),
      labelled: false,
      note: '',
      from: null,
      ...from,
    };
    if (!liquor) return blank;
    const { id: _id, revision: _revision, retired: _retired, ...rest } = liquor;
    return rest;
  });
  const offered = fields.volumeMl.state === 'unknown' ? '' : `${fields.volumeMl.value} mL`;
  const [text, setText] = useState(offered);
  const { errors, saving, save, refuse } = useSave(['name', 'volumeMl', 'ph']);
  const set = (change: Partial<typeof fields>) => setFields({ ...fields, ...change });
  const done = () => {
    onSaved();
    onClose();
  };
  const keep = () => {
    let volumeMl: Figure = { state: 'unknown' };
    // What stands as it was offered is as sure as it was: a planned volume is not measured by being kept.
    if (text === offered) volumeMl = fields.volumeMl;
    else if (text.trim() !== '') {
      const parsed = parseIn(text, 'volume', 'mL');
      if (!parsed.ok) return refuse('volumeMl', refusalText(parsed.error));
      volumeMl = { state: 'measured', value: parsed.value };
    }
    const body = { ...fields, volumeMl };
    void save(() => (liquor ? put(`/liquors/${id}`, { ...body, revision: liquor.revision }) : post('/liquors', { id, ...body })), done);
  };
  return (
    <Modal
      open
      title={liquor ? liquor.name : 'Keep a liquor'}
      okText="Keep"
      cancelText="Not now"
      okButtonProps={{ disabled: saving }}
      onOk={keep}
      onCancel={onClose}
    >
      <Field label="Name" problem={errors.name}>
        <Input value={fields.name} maxLength={120} placeholder="Weld, second bath" onChange={(event) => set({ name: event.target.value })} />
      </Field>
      <div className="params">
        <Field label="Dyestuff">
          <Select
            value={fields.dyestuffId ?? ''}
            showSearch={{ optionFilterProp: 'label' }}
            options={[{ value: '', label: 'unknown' }, ...book.dyestuffs.map((one) => ({ value: one.id, label: one.name }))]}
            onChange={(value: string) => set({ dyestuffId: value || null })}
          />
        </Field>
        <Field label="Volume" problem={errors.volumeMl}>
          <Input value={text} placeholder="unknown; 2.5 L" onChange={(event) => setText(event.target.value)} />
        </Field>
        <Field label="pH" problem={errors.ph}>
          <InputNumber value={fields.ph} placeholder="not measured" onChange={(ph) => set({ ph })} style={{ width: '100%' }} />
        </Field>
        <Field label="Baths given so far">
          <InputNumber value={fields.uses} min={0} onChange={(uses) => set({ uses: uses ?? 0 })} style={{ width: '100%' }} />
        </Field>
        <Field label="Kept">
          <Select
            value={fields.keptIn}
            options={KEPT_IN.map((value) => ({ value, label: KEPT_WORD[value] }))}
            onChange={(keptIn) => set({ keptIn, spoilByMs: spoilByMs(fields.madeAtMs, keptIn) })}
          />
        </Field>
        <Field label="Use or look by" hint="A guess by where it is kept; change it.">
          <DatePicker
            value={fields.spoilByMs === null ? null : dayjsIn(fields.spoilByMs, zone)}
            format="ddd D MMM YYYY"
            onChange={(value) => set({ spoilByMs: value ? msFromPicker(value, zone) : null })}
            style={{ width: '100%' }}
          />
        </Field>
        <Field label="Place">
          <Input value={fields.place} maxLength={120} onChange={(event) => set({ place: event.target.value })} />
        </Field>
      </div>
      <Checkbox checked={fields.labelled} onChange={(event) => set({ labelled: event.target.checked })}>
        Labelled with contents, date and “not food”
      </Checkbox>
      {liquor ? (
        <p>
          <button
            type="button"
            className="act act-small"
            onClick={() => void save(() => post(`/liquors/${id}/retire`, { revision: liquor.revision, retired: true }), done)}
          >
            Used up or poured away
          </button>
        </p>
      ) : null}
      <FormProblem text={errors['']} />
    </Modal>
  );
}
