'use client';
import { Input, InputNumber, Modal, Select } from 'antd';
import { useState } from 'react';
import { parseAmount } from '@/core/dose/parseAmount';
import type { Figure } from '@/core/figure';
import { refusalText } from '@/core/measure/parseQuantity';
import { PLANT_FORMS } from '@/core/shelf/dyestuff';
import { FORMS } from '@/core/shelf/forms';
import type { StockItem } from '@/core/shelf/stock';
import { post, put } from '../api/http';
import { newId } from '../api/newId';
import { nowMs } from '../api/serverClock';
import type { Book } from '../api/useBook';
import { useSave } from '../api/useSave';
import { Field, FormProblem } from '../shell/Field';

interface Props {
  readonly item: StockItem | null;
  readonly substance: string | null;
  readonly book: Book;
  readonly onClose: () => void;
  readonly onSaved: () => void;
}

const blank = (substance: string, isPlant: boolean): Omit<StockItem, 'id' | 'revision' | 'retired'> => ({
  substance,
  form: isPlant ? 'dried' : null,
  label: null,
  amount: { state: 'unknown' },
  unit: 'g',
  countedAtMs: Math.round(nowMs()),
  place: '',
  source: '',
  pricePerUnit: null,
  ownBulkGPerMl: null,
  note: '',
});

/** Something on the shelf: what it is, how much, where, and what its label says. */
export function StockForm({ item, substance, book, onClose, onSaved }: Props) {
  const isPlantId = (id: string) => book.dyestuffs.some((stuff) => stuff.id === id);
  const [id] = useState(() => item?.id ?? newId());
  const [fields, setFields] = useState(() => {
    if (!item) return blank(substance ?? 'alum', isPlantId(substance ?? 'alum'));
    const { id: _id, revision: _revision, retired: _retired, ...rest } = item;
    return rest;
  });
  const [text, setText] = useState(item && item.amount.state !== 'unknown' ? `${item.amount.value} ${item.unit === 'piece' ? '' : item.unit}`.trim() : '');
  const [sure, setSure] = useState<Figure['state']>(item?.amount.state ?? 'measured');
  const { errors, saving, save, refuse } = useSave(['substance', 'form', 'label', 'amount']);
  const set = (change: Partial<typeof fields>) => setFields({ ...fields, ...change });
  const isPlant = isPlantId(fields.substance);
  const forms = FORMS[fields.substance];
  const done = () => {
    onSaved();
    onClose();
  };
  const keep = () => {
    let amount: Figure = { state: 'unknown' };
    if (sure !== 'unknown') {
      const parsed = parseAmount(text, fields.unit);
      if (!parsed.ok) return refuse('amount', refusalText(parsed.error));
      amount = { state: sure, value: parsed.value.value };
    }
    const body = { ...fields, amount, countedAtMs: Math.round(nowMs()) };
    void save(() => (item ? put(`/stock/${id}`, { ...body, revision: item.revision }) : post('/stock', { id, ...body })), done);
  };
  return (
    <Modal
      open
      title={item ? 'Count or change' : 'Put on the shelf'}
      okText="Keep"
      cancelText="Not now"
      okButtonProps={{ disabled: saving }}
      onOk={keep}
      onCancel={onClose}
    >
      <Field label="What" problem={errors.substance}>
        <Select
          value={fields.substance}
          showSearch={{ optionFilterProp: 'label' }}
          options={[
            {
              label: 'Dyestuffs',
              title: 'dyestuffs',
              options: book.dyestuffs.map((one) => ({ value: one.id, label: one.part ? `${one.name} (${one.part})` : one.name })),
            },
            { label: 'Assistants', title: 'assistants', options: book.assistants.map((one) => ({ value: one.id, label: one.name })) },
          ]}
          onChange={(value: string) => set({ ...blank(value, isPlantId(value)), unit: book.shelf.assistant(value)?.unit ?? 'g' })}
        />
      </Field>
      <div className="params">
        {isPlant ? (
          <Field label="Form" problem={errors.form}>
            <Select value={fields.form} options={PLANT_FORMS.map((value) => ({ value, label: value }))} onChange={(form) => set({ form })} />
          </Field>
        ) : null}
        {forms ? (
          <Field label="On the label" problem={errors.label}>
            <Select
              value={fields.label}
              allowClear
              placeholder="nobody looked"
              options={forms.map((form) => ({ value: form.id, label: form.label }))}
              onChange={(label) => set({ label: label ?? null })}
            />
          </Field>
        ) : null}
        <Field label="Counted in">
          <Select
            value={fields.unit}
            options={['g', 'mL', 'piece'].map((value) => ({ value, label: value === 'piece' ? 'pieces' : value }))}
            onChange={(unit: 'g' | 'mL' | 'piece') => set({ unit })}
          />
        </Field>
        <Field label="How much there is" problem={errors.amount}>
          <Input value={text} disabled={sure === 'unknown'} placeholder="500 g, 1 lb" onChange={(event) => setText(event.target.value)} />
        </Field>
        <Field label="How sure">
          <Select
            value={sure}
            onChange={setSure}
            options={[
              { value: 'measured', label: 'weighed' },
              { value: 'estimated', label: 'estimated' },
              { value: 'unknown', label: 'unknown' },
            ]}
          />
        </Field>
        <Field label="Where it is kept">
          <Input value={fields.place} maxLength={120} onChange={(event) => set({ place: event.target.value })} />
        </Field>
        <Field label={isPlant ? 'Source and season' : 'Where it came from'}>
          <Input value={fields.source} maxLength={160} onChange={(event) => set({ source: event.target.value })} />
        </Field>
        <Field label={`Price of 100 ${fields.unit === 'piece' ? 'pieces' : fields.unit}`}>
          <InputNumber
            value={fields.pricePerUnit === null ? null : Math.round(fields.pricePerUnit * 1e6) / 1e4}
            placeholder="unknown"
            min={0}
            style={{ width: '100%' }}
            onChange={(value) => set({ pricePerUnit: value === null ? null : value / 100 })}
          />
        </Field>
        {isPlant || fields.unit !== 'g' ? null : (
          <Field label="5 mL of it weigh" hint="Weigh your own spoon once.">
            <InputNumber
              value={fields.ownBulkGPerMl === null ? null : Math.round(fields.ownBulkGPerMl * 500) / 100}
              suffix="g"
              placeholder="unknown"
              min={0.01}
              style={{ width: '100%' }}
              onChange={(value) => set({ ownBulkGPerMl: value === null ? null : value / 5 })}
            />
          </Field>
        )}
      </div>
      {item ? (
        <p>
          <button
            type="button"
            className="act act-small"
            onClick={() => void save(() => post(`/stock/${id}/retire`, { revision: item.revision, retired: true }), done)}
          >
            It is gone
          </button>
        </p>
      ) : null}
      <FormProblem text={errors['']} />
    </Modal>
  );
}
