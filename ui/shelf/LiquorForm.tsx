'use client';
import { Checkbox, Form, Input, InputNumber, Select } from 'antd';
import { useState } from 'react';
import { liquorEdit, newLiquor } from '@/contract/shelf';
import { type Figure, UNKNOWN } from '@/core/figure';
import { KEPT_IN, type Liquor, spoilByMs } from '@/core/liquor/liquor';
import type { Dyestuff } from '@/core/shelf/dyestuff';
import { post, put } from '../api/http';
import { newId } from '../api/newId';
import { nowMs } from '../api/serverClock';
import { KEPT_WORD } from '../baths/keptWords';
import { DayField } from '../form/DayField';
import { FormSheet } from '../form/FormSheet';
import { Hidden } from '../form/Hidden';
import { TypedItem } from '../form/TypedItem';
import { amountReader, asTyped, typedValue } from '../form/typed';
import { usePrint } from '../shell/facts';
import { PutAway } from './PutAway';

type Kept = Omit<Liquor, 'id' | 'revision' | 'retired'>;
interface Values extends Omit<Kept, 'volumeMl' | 'dyestuffId' | 'from' | 'uses'> {
  readonly id: string;
  readonly revision: number;
  readonly dyestuffId: string;
  readonly volumeText: string;
  readonly uses: number | null;
}

interface Props {
  readonly liquor: Liquor | null;
  /** What is known already when a bath is kept after a run. */
  readonly from?: Partial<Kept>;
  readonly dyestuffs: readonly Dyestuff[];
  readonly onClose: () => void;
}

/** A bath kept for later, with its age and the day by which it is used or binned. */
export function LiquorForm({ liquor, from = {}, dyestuffs, onClose }: Props) {
  const { measures } = usePrint();
  const [id] = useState(() => liquor?.id ?? newId());
  const [madeAtMs] = useState(() => liquor?.madeAtMs ?? from.madeAtMs ?? Math.round(nowMs()));
  const had: Partial<Kept> = liquor ?? from;
  const volume: Figure = had.volumeMl ?? { state: 'unknown' };
  const offered = asTyped(volume, 'mL');
  const keptIn = had.keptIn ?? 'fridge';
  const first: Values = {
    id,
    revision: liquor?.revision ?? 0,
    name: had.name ?? '',
    dyestuffId: had.dyestuffId ?? '',
    volumeText: offered,
    ph: had.ph ?? null,
    madeAtMs,
    keptIn,
    place: had.place ?? '',
    uses: had.uses ?? 0,
    spoilByMs: had.spoilByMs === undefined ? spoilByMs(madeAtMs, keptIn, had.ph ?? null) : had.spoilByMs,
    labelled: had.labelled ?? false,
    note: had.note ?? '',
  };
  const body = ({ id: own, revision, dyestuffId, volumeText, ...rest }: Values) => {
    const read = typedValue(amountReader('mL', null, measures), volumeText);
    // What stands as it was offered is as sure as it was: a planned volume is not measured by being kept.
    const volumeMl: Figure = volumeText === offered ? volume : (read?.figure ?? UNKNOWN);
    return { ...rest, dyestuffId: dyestuffId || null, volumeMl, from: had.from ?? null, ...(liquor ? { revision } : { id: own }) };
  };
  return (
    <FormSheet<Values>
      name={liquor ? `liquor-${liquor.id}` : `liquor-new-${from.from?.stepId ?? ''}`}
      title={liquor ? liquor.name : 'Keep a bath'}
      first={first}
      body={body}
      schema={liquor ? liquorEdit : newLiquor}
      places={{ volumeMl: 'volumeText' }}
      send={(sent) => (liquor ? put(`/liquors/${liquor.id}`, sent) : post('/liquors', sent))}
      ends={liquor ? <PutAway label="Used up or poured away" path={`/liquors/${liquor.id}/retire`} revision={liquor.revision} onDone={onClose} /> : null}
      onDone={onClose}
      onClose={onClose}
    >
      {(values, set) => (
        <>
          <Hidden names={['id', 'revision', 'madeAtMs']} />
          <Form.Item name="name" label="Name">
            <Input maxLength={120} placeholder="Weld, second bath" />
          </Form.Item>
          <div className="fields">
            <Form.Item name="dyestuffId" label="Dyestuff">
              <Select
                showSearch={{ optionFilterProp: 'label' }}
                options={[{ value: '', label: 'unknown' }, ...dyestuffs.map((one) => ({ value: one.id, label: one.name }))]}
              />
            </Form.Item>
            <TypedItem name="volumeText" label="Volume when it was kept" read={(how) => amountReader('mL', null, how)} placeholder="unknown; 2.5 L" />
            <Form.Item name="ph" label="pH when it was kept">
              <InputNumber
                placeholder="not measured"
                style={{ width: '100%' }}
                onChange={(ph: number | null) => {
                  // A day that somebody set stands.
                  const isGuess = values.spoilByMs === spoilByMs(madeAtMs, values.keptIn, values.ph);
                  if (isGuess) set({ spoilByMs: spoilByMs(madeAtMs, values.keptIn, ph) });
                }}
              />
            </Form.Item>
            <Form.Item name="uses" label="Baths given before it was kept" extra="What is dyed in it by sessions from now on counts by itself.">
              <InputNumber style={{ width: '100%' }} />
            </Form.Item>
            <Form.Item name="keptIn" label="Kept">
              <Select
                options={KEPT_IN.map((value) => ({ value, label: KEPT_WORD[value] }))}
                onChange={(next: Liquor['keptIn']) => set({ spoilByMs: spoilByMs(madeAtMs, next, values.ph) })}
              />
            </Form.Item>
            <Form.Item name="spoilByMs" label="Use or look by" extra="A guess by how warm it is kept and its pH; change it.">
              <DayField />
            </Form.Item>
            <Form.Item name="place" label="Place">
              <Input maxLength={120} />
            </Form.Item>
          </div>
          <Form.Item name="labelled" valuePropName="checked">
            <Checkbox>Labelled with contents, date and “not food”</Checkbox>
          </Form.Item>
          <Form.Item name="note" label="Note">
            <Input.TextArea autoSize={{ minRows: 1 }} />
          </Form.Item>
        </>
      )}
    </FormSheet>
  );
}
