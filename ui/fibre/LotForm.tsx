'use client';
import { Button, Checkbox, Form, Input, InputNumber, Select } from 'antd';
import { useState } from 'react';
import { lotEdit, newLot } from '@/contract/schemas';
import type { LotView } from '@/contract/views';
import { FIBRES, type FibreKind, type Share } from '@/core/fibre/fibre';
import { FINISH_SAYS, FINISHES, type Finish, LOT_FORMS, type LotForm as LotShape } from '@/core/fibre/lot';
import { post, put } from '../api/http';
import { newId } from '../api/newId';
import { FormSheet } from '../form/FormSheet';
import { Hidden } from '../form/Hidden';
import { ColourField } from './ColourField';
import { PictureColour } from './PictureColour';
import { WeightField } from './WeightField';
import { readWeight, type WeightDraft, weightDraft } from './weightDraft';

interface Values {
  readonly id: string;
  /** As it was opened: a lot changed elsewhere meanwhile is pointed out by the server and not overwritten. */
  readonly revision: number;
  readonly name: string;
  readonly form: LotShape;
  readonly pieces: number | null;
  readonly composition: readonly Share[];
  readonly weight: WeightDraft;
  readonly finishes: readonly Finish[] | null;
  readonly baseHex: string | null;
  readonly note: string;
}

/** A lot of fibre: adding one, or changing it. */
export function LotForm({ lot, onClose }: { lot: LotView | null; onClose: () => void }) {
  const [id] = useState(() => lot?.id ?? newId());
  const first: Values = {
    id,
    revision: lot?.revision ?? 0,
    name: lot?.name ?? '',
    form: lot?.form ?? 'skein',
    pieces: lot?.pieces ?? 1,
    composition: lot ? lot.composition : [{ fibre: 'wool', pct: 100 }],
    weight: weightDraft(lot?.dryWeightG ?? { state: 'measured', value: 0 }, lot?.weightFrom ?? null),
    finishes: lot ? lot.finishes : [],
    baseHex: lot?.baseHex ?? null,
    note: lot?.note ?? '',
  };
  const body = (values: Values) => {
    const { id: own, revision, weight, ...rest } = values;
    const read = readWeight(weight, rest.composition);
    const known = 'problem' in read ? { dryWeightG: null, weightFrom: null } : { dryWeightG: read.figure, weightFrom: read.from };
    return { ...rest, ...known, ...(lot ? { revision } : { id: own }) };
  };
  return (
    <FormSheet<Values>
      name={lot ? `lot-${lot.id}` : 'lot-new'}
      title={lot ? `Change ${lot.name}` : 'Add a lot'}
      first={first}
      body={body}
      schema={lot ? lotEdit : newLot}
      places={{ dryWeightG: 'weight', weightFrom: 'weight' }}
      send={(sent) => (lot ? put(`/lots/${lot.id}`, sent) : post('/lots', sent))}
      onDone={onClose}
      onClose={onClose}
    >
      {(values, set) => (
        <>
          <Hidden names={['id', 'revision']} />
          <Form.Item name="name" label="Name">
            <Input maxLength={120} placeholder="Gotland, two skeins" />
          </Form.Item>
          <div className="fields">
            <Form.Item name="form" label="Form">
              <Select options={LOT_FORMS.map((value) => ({ value, label: value }))} />
            </Form.Item>
            <Form.Item name="pieces" label="Pieces">
              <InputNumber style={{ width: '100%' }} />
            </Form.Item>
          </div>
          <Form.Item name="composition" label="Composition">
            <CompositionField />
          </Form.Item>
          <Form.Item
            name="weight"
            validateTrigger={[]}
            rules={[
              {
                validator: (_rule, weight: WeightDraft) => {
                  const read = readWeight(weight, values.composition);
                  return 'problem' in read ? Promise.reject(new Error(read.problem)) : Promise.resolve();
                },
              },
            ]}
          >
            <WeightField composition={values.composition} />
          </Form.Item>
          <Form.Item name="finishes" label="Finish">
            <FinishField />
          </Form.Item>
          <Form.Item name="baseHex" label="Colour before dyeing">
            <ColourField />
          </Form.Item>
          <PictureColour
            onColour={(hex) => {
              set({ baseHex: hex });
            }}
          />
          <Form.Item name="note" label="Note">
            <Input.TextArea autoSize={{ minRows: 2, maxRows: 6 }} />
          </Form.Item>
        </>
      )}
    </FormSheet>
  );
}

interface FieldProps<T> {
  readonly value?: T;
  readonly onChange?: (value: T) => void;
}

function CompositionField({ value: shares = [], onChange }: FieldProps<readonly Share[]>) {
  const set = (next: readonly Share[]) => onChange?.(next);
  const free = (Object.keys(FIBRES) as FibreKind[]).find((fibre) => !shares.some((share) => share.fibre === fibre));
  return (
    <div className="stack stack-tight">
      {shares.map((share, i) => (
        <div key={share.fibre} className="line line-tight">
          <Select
            value={share.fibre}
            aria-label="Fibre"
            showSearch={{ optionFilterProp: 'label' }}
            options={(Object.keys(FIBRES) as FibreKind[]).map((fibre) => ({
              value: fibre,
              label: FIBRES[fibre].name,
              disabled: shares.some((one) => one.fibre === fibre),
            }))}
            onChange={(fibre) => set(shares.with(i, { ...share, fibre }))}
            style={{ width: 240 }}
          />
          <InputNumber value={share.pct} suffix="%" aria-label="Share" onChange={(pct) => set(shares.with(i, { ...share, pct: pct ?? 0 }))} />
          <Button type="text" onClick={() => set(shares.toSpliced(i, 1))}>
            Remove
          </Button>
        </div>
      ))}
      {shares.length === 0 ? <p className="quiet">Unknown composition. It can still be planned with.</p> : null}
      {free ? (
        <Button
          style={{ alignSelf: 'flex-start' }}
          onClick={() => set([...shares, { fibre: free, pct: Math.max(0, 100 - shares.reduce((sum, share) => sum + share.pct, 0)) }])}
        >
          Add a fibre
        </Button>
      ) : null}
    </div>
  );
}

function FinishField({ value: finishes = null, onChange }: FieldProps<readonly Finish[] | null>) {
  const set = (next: readonly Finish[] | null) => onChange?.(next);
  return (
    <>
      <div className="line">
        <Checkbox checked={finishes === null} onChange={(event) => set(event.target.checked ? null : [])}>
          unknown
        </Checkbox>
        {FINISHES.map((finish) => (
          <Checkbox
            key={finish}
            disabled={finishes === null}
            checked={finishes?.includes(finish) ?? false}
            onChange={(event) => set(event.target.checked ? [...(finishes ?? []), finish] : (finishes ?? []).filter((one) => one !== finish))}
          >
            {finish}
          </Checkbox>
        ))}
      </div>
      {finishes?.length ? <p className="quiet small">{finishes.map((finish) => `${finish}: ${FINISH_SAYS[finish]}`).join('; ')}.</p> : null}
    </>
  );
}
