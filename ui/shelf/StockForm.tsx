'use client';
import { Form, Input, InputNumber, Segmented, Select } from 'antd';
import { useState } from 'react';
import { newStock, stockEdit } from '@/contract/shelf';
import { asGuessed, UNKNOWN } from '@/core/figure';
import { AMOUNT_UNITS, type AmountUnit } from '@/core/measure/print';
import { PLANT_FORMS, type PlantForm } from '@/core/shelf/dyestuff';
import { FORMS } from '@/core/shelf/forms';
import { SPENT_KEEPS, type SpentKeeps } from '@/core/shelf/spent';
import type { StockItem } from '@/core/shelf/stock';
import { post, put } from '../api/http';
import { newId } from '../api/newId';
import { nowMs } from '../api/serverClock';
import type { Book } from '../api/useBook';
import { FormSheet } from '../form/FormSheet';
import { Hidden } from '../form/Hidden';
import { TypedItem } from '../form/TypedItem';
import { amountReader, asTyped, massReader, typedValue } from '../form/typed';
import { usePrint } from '../shell/facts';
import { PutAway } from './PutAway';

const COUNTED_IN: Readonly<Record<AmountUnit, string>> = { g: 'g', mL: 'mL', piece: 'pieces', handful: 'handfuls' };

interface Values {
  readonly id: string;
  readonly revision: number;
  readonly substance: string;
  readonly form: PlantForm | null;
  readonly label: string | null;
  readonly amountText: string;
  readonly sure: 'measured' | 'estimated' | 'unknown';
  readonly unit: AmountUnit;
  readonly place: string;
  readonly source: string;
  readonly pricePer100: number | null;
  readonly spoonText: string;
  readonly note: string;
  readonly uses: number | null;
  readonly keeps: SpentKeeps;
  readonly isMixed: boolean;
}

interface Props {
  readonly item: StockItem | null;
  readonly substance: string | null;
  readonly book: Book;
  readonly onClose: () => void;
}

/** Something on the shelf: what it is, how much, where, and what its label says. */
export function StockForm({ item, substance, book, onClose }: Props) {
  const { measures } = usePrint();
  const isPlant = (id: string) => book.dyestuffs.some((stuff) => stuff.id === id);
  const [id] = useState(() => item?.id ?? newId());
  const what = item?.substance ?? substance ?? 'alum';
  const first: Values = {
    id,
    revision: item?.revision ?? 0,
    substance: what,
    form: item ? item.form : isPlant(what) ? 'dried' : null,
    label: item?.label ?? null,
    amountText: item ? asTyped(item.amount, item.unit) : '',
    sure: item?.amount.state === 'between' ? 'estimated' : (item?.amount.state ?? 'measured'),
    unit: item?.unit ?? book.shelf.assistant(what)?.unit ?? 'g',
    place: item?.place ?? '',
    source: item?.source ?? '',
    pricePer100: item?.pricePerUnit == null ? null : Math.round(item.pricePerUnit * 1e6) / 1e4,
    spoonText: item?.ownBulkGPerMl == null ? '' : `${Math.round(item.ownBulkGPerMl * 500) / 100} g`,
    note: item?.note ?? '',
    uses: item?.spent?.uses ?? 1,
    keeps: item?.spent?.keeps ?? 'drying',
    isMixed: item?.spent?.isMixed ?? false,
  };
  const body = ({ id: own, revision, amountText, sure, pricePer100, spoonText, uses, keeps, isMixed, ...rest }: Values) => {
    const read = sure === 'unknown' ? null : typedValue(amountReader(rest.unit, null, measures), amountText);
    const spoonG = typedValue(massReader(measures), spoonText);
    return {
      ...rest,
      form: rest.form ?? null,
      label: rest.label ?? null,
      amount: read === null ? UNKNOWN : sure === 'estimated' ? asGuessed(read.figure) : read.figure,
      countedAtMs: Math.round(nowMs()),
      pricePerUnit: pricePer100 === null ? null : pricePer100 / 100,
      ownBulkGPerMl: spoonG === null ? null : spoonG / 5,
      spent: rest.form === 'spent' ? { uses, keeps, isMixed, from: item?.spent?.from ?? null } : null,
      ...(item ? { revision } : { id: own }),
    };
  };
  return (
    <FormSheet<Values>
      name={item ? `stock-${item.id}` : `stock-new-${what}`}
      title={item ? 'Count or change' : 'Put on the shelf'}
      first={first}
      body={body}
      schema={item ? stockEdit : newStock}
      places={{ 'spent.uses': 'uses', amount: 'amountText', pricePerUnit: 'pricePer100', ownBulkGPerMl: 'spoonText' }}
      send={(sent) => (item ? put(`/stock/${item.id}`, sent) : post('/stock', sent))}
      ends={item ? <PutAway label="It is gone" path={`/stock/${item.id}/retire`} revision={item.revision} onDone={onClose} /> : null}
      onDone={onClose}
      onClose={onClose}
    >
      {(values, set) => {
        const forms = FORMS[values.substance];
        const plant = isPlant(values.substance);
        return (
          <>
            <Hidden names={['id', 'revision']} />
            <Form.Item name="substance" label="What">
              <Select
                showSearch={{ optionFilterProp: 'label' }}
                options={[
                  {
                    label: 'Dyestuffs',
                    title: 'dyestuffs',
                    options: book.dyestuffs.map((one) => ({ value: one.id, label: one.part ? `${one.name} (${one.part})` : one.name })),
                  },
                  { label: 'Assistants', title: 'assistants', options: book.assistants.map((one) => ({ value: one.id, label: one.name })) },
                ]}
                onChange={(next: string) => set({ form: isPlant(next) ? 'dried' : null, label: null, unit: book.shelf.assistant(next)?.unit ?? 'g' })}
              />
            </Form.Item>
            <div className="fields">
              <Form.Item name="form" label="Form" hidden={!plant}>
                <Select options={PLANT_FORMS.map((value) => ({ value, label: value }))} />
              </Form.Item>
              <Form.Item name="uses" label="Baths it gave" hidden={values.form !== 'spent'}>
                <InputNumber min={1} style={{ width: '100%' }} />
              </Form.Item>
              <Form.Item name="keeps" label="How it waits" hidden={values.form !== 'spent'}>
                <Select options={SPENT_KEEPS.map((value) => ({ value, label: value }))} />
              </Form.Item>
              <Form.Item name="isMixed" label="In the strainer" hidden={values.form !== 'spent'}>
                <Segmented
                  options={[
                    { value: false, label: 'sorted' },
                    { value: true, label: 'mixed' },
                  ]}
                />
              </Form.Item>
              <Form.Item name="label" label="On the label" hidden={!forms}>
                <Select allowClear placeholder="nobody looked" options={(forms ?? []).map((one) => ({ value: one.id, label: one.label }))} />
              </Form.Item>
              <Form.Item name="unit" label="Counted in">
                <Select options={AMOUNT_UNITS.map((value) => ({ value, label: COUNTED_IN[value] }))} />
              </Form.Item>
              <Form.Item name="sure" label="How sure">
                <Segmented
                  options={[
                    { value: 'measured', label: 'weighed' },
                    { value: 'estimated', label: 'estimated' },
                    { value: 'unknown', label: 'unknown' },
                  ]}
                />
              </Form.Item>
              <TypedItem
                name="amountText"
                label="How much there is"
                read={(how) => amountReader(values.unit, null, how)}
                placeholder="500 g, 1 lb"
                disabled={values.sure === 'unknown'}
                {...(values.sure === 'unknown' ? {} : { required: 'Type an amount, or say that it is unknown.' })}
              />
              <Form.Item name="place" label="Where it is kept">
                <Input maxLength={120} />
              </Form.Item>
              <Form.Item name="source" label={plant ? 'Source and season' : 'Where it came from'}>
                <Input maxLength={160} />
              </Form.Item>
              <Form.Item name="pricePer100" label={`Price of 100 ${COUNTED_IN[values.unit]}`}>
                <InputNumber placeholder="unknown" style={{ width: '100%' }} />
              </Form.Item>
              {plant || values.unit !== 'g' ? null : (
                <TypedItem name="spoonText" label="5 mL of it weigh" read={massReader} placeholder="unknown" hint="Weigh your own spoon once." />
              )}
            </div>
            <Form.Item name="note" label="Note">
              <Input.TextArea autoSize={{ minRows: 1 }} />
            </Form.Item>
          </>
        );
      }}
    </FormSheet>
  );
}
