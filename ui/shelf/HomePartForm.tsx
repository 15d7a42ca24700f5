'use client';
import { Button, Checkbox, Form, Input, InputNumber, Radio, Select } from 'antd';
import type { ReactNode } from 'react';
import { homeEdit } from '@/contract/schemas';
import { knownText } from '@/core/figure';
import { HEAT_KINDS } from '@/core/kitchen/heatSource';
import { attendMinOf, type Home } from '@/core/kitchen/home';
import { METRIC, type Measures } from '@/core/measure/measures';
import { printNumber } from '@/core/measure/print';
import { put } from '../api/http';
import { newId } from '../api/newId';
import { FormSheet } from '../form/FormSheet';
import { hardnessReader, hardnessText } from '../form/hardnessReader';
import { TypedItem } from '../form/TypedItem';
import { clockReader, massReader, numberReader, type Reader, temperatureReader, typedValue } from '../form/typed';
import { usePrint } from '../shell/facts';
import { type HomePart, PART_TITLE, WEEKDAYS } from './homeSentences';
import { LearntOfWater } from './LearntOfWater';

const HEAT_WORD = { hotplate: 'hotplate', gas: 'gas hob', campBurner: 'camp burner', charcoal: 'charcoal', microwave: 'microwave', oven: 'oven' } as const;
const DAYS = [1, 2, 3, 4, 5, 6, 0].map((value) => ({ value, label: WEEKDAYS[value]?.slice(0, 3) ?? '' }));

interface ScaleRow {
  readonly id: string;
  readonly name: string;
  readonly readsTo: string;
  readonly most: string;
}
interface ProbeRow {
  readonly id: string;
  readonly name: string;
  readonly iceReads: string;
  readonly boilReads: string;
}
/** The home with its typed figures as texts; what a part does not show travels along unchanged. */
interface Values extends Omit<Home, 'scales' | 'probes' | 'circuitW' | 'altitudeM' | 'water' | 'lookAt'> {
  /** As it was typed; empty: no hour of one’s own. */
  readonly lookAt: string;
  readonly alkalinityText: string;
  readonly phText: string;
  readonly hardnessText: string;
  readonly scaleRows: readonly ScaleRow[];
  readonly probeRows: readonly ProbeRow[];
  readonly circuitW: number | null;
  readonly altitudeM: number | null;
}

/** Of the tap; no waterworks delivers anything else. */
const phReader = (): Reader<number> => numberReader(4, 11);

/** One part of the home, edited in its place. */
export function HomePartForm({ part, home, onClose }: { part: HomePart; home: Home; onClose: () => void }) {
  const { measures, mass, temperature } = usePrint();
  const { scales, probes, water, ...rest } = home;
  const printed = (c: number | null | undefined) => (c == null ? '' : temperature(c));
  const first: Values = {
    ...rest,
    measures: home.measures ?? METRIC,
    attendMin: attendMinOf(home),
    lookAt: home.lookAt ?? '',
    phText: water?.ph == null ? '' : knownText(water.ph, printNumber),
    alkalinityText: water?.alkalinityMgL == null ? '' : hardnessText(water.alkalinityMgL),
    hardnessText: water?.hardnessMgL == null ? '' : hardnessText(water.hardnessMgL),
    scaleRows: scales.map((scale) => ({ id: scale.id, name: scale.name, readsTo: mass(scale.readsToG), most: scale.mostG === null ? '' : mass(scale.mostG) })),
    probeRows: probes.map(({ id, name, iceReadsC, boilReadsC }) => ({ id, name, iceReads: printed(iceReadsC), boilReads: printed(boilReadsC) })),
  };
  const body = ({ scaleRows, probeRows, diary, phText, alkalinityText, hardnessText: hardText, ...values }: Values) => ({
    ...values,
    lookAt: typedValue(clockReader, values.lookAt) ?? (values.lookAt.trim() || null),
    diary: {
      ...diary,
      wakeAt: typedValue(clockReader, diary.wakeAt) ?? diary.wakeAt,
      sleepAt: typedValue(clockReader, diary.sleepAt) ?? diary.sleepAt,
      away: diary.away.map((away) => ({ ...away, from: typedValue(clockReader, away.from) ?? away.from, to: typedValue(clockReader, away.to) ?? away.to })),
    },
    water: {
      alkalinityMgL: alkalinityText === first.alkalinityText ? (water?.alkalinityMgL ?? null) : typedValue(hardnessReader(), alkalinityText),
      ph: phText === first.phText ? (water?.ph ?? null) : typedValue(phReader(), phText),
      hardnessMgL: hardText === first.hardnessText ? (water?.hardnessMgL ?? null) : typedValue(hardnessReader(), hardText),
    },
    scales: scaleRows.map((row) => {
      const had = scales.find((scale) => scale.id === row.id);
      // A figure that stands as it was printed is kept to its last digit.
      const read = (text: string, before: number | null | undefined) =>
        before != null && text === mass(before) ? before : typedValue(massReader(measures), text);
      return { id: row.id, name: row.name, readsToG: read(row.readsTo, had?.readsToG) ?? Number.NaN, mostG: read(row.most, had?.mostG) };
    }),
    probes: probeRows.map(({ id, name, iceReads, boilReads }) => {
      const had = probes.find((probe) => probe.id === id);
      const read = (text: string | undefined, before: number | null | undefined) =>
        before != null && text === printed(before) ? before : (typedValue(temperatureReader(measures), text ?? '') ?? null);
      return { id, name, iceReadsC: read(iceReads, had?.iceReadsC), boilReadsC: read(boilReads, had?.boilReadsC) };
    }),
  });
  return (
    <FormSheet<Values>
      name={`home-${part}`}
      title={PART_TITLE[part]}
      width={part === 'probes' ? 940 : 680}
      first={first}
      body={body}
      schema={homeEdit}
      places={{ scales: 'scaleRows', probes: 'probeRows', 'water.alkalinityMgL': 'alkalinityText', 'water.hardnessMgL': 'hardnessText', 'water.ph': 'phText' }}
      send={(sent) => put('/home', sent)}
      onDone={onClose}
      onClose={onClose}
    >
      {() => PARTS[part]}
    </FormSheet>
  );
}

/** Rows that can be added to and taken from. */
function RowsOf({ name, add, blank, children }: { name: string | string[]; add: string; blank: () => object; children: (i: number) => ReactNode }) {
  return (
    <Form.List name={name}>
      {(fields, { add: append, remove }) => (
        <div className="stack">
          {fields.map((field) => (
            <div key={field.key} className="stack stack-tight">
              <div className="fields">{children(field.name)}</div>
              <Button size="small" style={{ alignSelf: 'flex-start' }} onClick={() => remove(field.name)}>
                Remove
              </Button>
            </div>
          ))}
          <Button style={{ alignSelf: 'flex-start' }} onClick={() => append(blank())}>
            {add}
          </Button>
        </div>
      )}
    </Form.List>
  );
}

const choice = (name: keyof Measures, label: string, options: readonly { value: string | number | null; label: string }[]) => (
  <Form.Item key={name} name={['measures', name]} label={label}>
    <Radio.Group options={[...options] as { value: string; label: string }[]} />
  </Form.Item>
);
const clock = () => clockReader;

const PARTS: Readonly<Record<HomePart, ReactNode>> = {
  diary: (
    <>
      <div className="fields">
        <TypedItem name={['diary', 'wakeAt']} label="Awake from" read={clock} required="Type a time." />
        <TypedItem name={['diary', 'sleepAt']} label="Awake until" read={clock} required="Type a time." />
      </div>
      <fieldset>
        <legend>Away</legend>
        <RowsOf name={['diary', 'away']} add="Add hours away" blank={() => ({ weekdays: [1, 2, 3, 4, 5], from: '09:00', to: '17:00' })}>
          {(i) => (
            <>
              <Form.Item name={[i, 'weekdays']} label="On" style={{ gridColumn: '1 / -1' }}>
                <Checkbox.Group options={DAYS} />
              </Form.Item>
              <TypedItem name={[i, 'from']} label="Away from" read={clock} required="Type a time." />
              <TypedItem name={[i, 'to']} label="Away until" read={clock} required="Type a time." />
            </>
          )}
        </RowsOf>
      </fieldset>
    </>
  ),
  heat: (
    <>
      <RowsOf name="heatSources" add="Add a heat source" blank={() => ({ id: newId(), name: 'Hotplate', maxW: null, kind: 'hotplate', outdoors: false })}>
        {(i) => (
          <>
            <Form.Item name={[i, 'name']} label="Name">
              <Input maxLength={120} />
            </Form.Item>
            <Form.Item name={[i, 'kind']} label="Kind of heat">
              <Select options={HEAT_KINDS.map((value) => ({ value, label: HEAT_WORD[value] }))} />
            </Form.Item>
            <Form.Item name={[i, 'maxW']} label="Power">
              <InputNumber suffix="W" placeholder="unknown" style={{ width: '100%' }} />
            </Form.Item>
            <Form.Item name={[i, 'outdoors']} valuePropName="checked">
              <Checkbox>outdoors</Checkbox>
            </Form.Item>
            <Form.Item name={[i, 'dyeOnly']} valuePropName="checked">
              <Checkbox>for dyeing only</Checkbox>
            </Form.Item>
          </>
        )}
      </RowsOf>
      <Form.Item name="circuitW" label="One circuit gives" style={{ marginTop: 14 }}>
        <InputNumber suffix="W" placeholder="unknown" style={{ width: 220 }} />
      </Form.Item>
    </>
  ),
  scales: (
    <RowsOf name="scaleRows" add="Add a scale" blank={() => ({ id: newId(), name: 'Kitchen scale', readsTo: '1 g', most: '5 kg' })}>
      {(i) => (
        <>
          <Form.Item name={[i, 'name']} label="Name">
            <Input maxLength={120} />
          </Form.Item>
          <TypedItem name={[i, 'readsTo']} label="Reads to" read={massReader} required="Type its last digit, such as 1 g." />
          <TypedItem name={[i, 'most']} label="Carries up to" read={massReader} placeholder="any weight" />
        </>
      )}
    </RowsOf>
  ),
  probes: (
    <>
      <RowsOf name="probeRows" add="Add a probe" blank={() => ({ id: newId(), name: 'Probe', iceReads: '', boilReads: '' })}>
        {(i) => (
          <>
            <Form.Item name={[i, 'name']} label="Name">
              <Input maxLength={120} />
            </Form.Item>
            <Form.Item name={[i, 'id']} label="Posts readings as">
              <Input readOnly />
            </Form.Item>
            <TypedItem name={[i, 'iceReads']} label="In melting ice it reads" read={temperatureReader} placeholder="nobody looked" />
            <TypedItem name={[i, 'boilReads']} label="In boiling water it reads" read={temperatureReader} placeholder="nobody looked" />
          </>
        )}
      </RowsOf>
      <p className="quiet small">
        Readings are posted to /api/v1/probes/…/readings. Crushed ice with a little water, stirred, is 0 °C; what boiling water has follows from the altitude.
        One of the two moves all readings, both set them right from cold to hot. It counts for what is read from now on.
      </p>
    </>
  ),
  place: (
    <div className="fields">
      <Form.Item name="altitudeM" label="Altitude">
        <InputNumber suffix="m" style={{ width: '100%' }} />
      </Form.Item>
      <Form.Item name={['diary', 'zone']} label="Time zone">
        <Select showSearch options={Intl.supportedValuesOf('timeZone').map((value) => ({ value, label: value }))} />
      </Form.Item>
    </div>
  ),
  water: (
    <div className="fields">
      <LearntOfWater />
      <TypedItem
        name="alkalinityText"
        label="Alkalinity"
        read={hardnessReader}
        placeholder="nobody asked"
        hint="10 °dH, 18 °fH, 180 mg/L, 3.6 mmol/L; on a drop test: KH"
      />
      <TypedItem name="phText" label="pH at the tap" read={phReader} placeholder="not set" hint="e.g. 7.4, from the waterworks’ report or a strip" />
      <TypedItem
        name="hardnessText"
        label="Hardness"
        read={hardnessReader}
        placeholder="nobody asked"
        hint="a rougher guide, where the alkalinity is not known"
      />
    </div>
  ),
  care: (
    <>
      <Form.Item name="childrenOrPets" valuePropName="checked">
        <Checkbox>Children or pets at home</Checkbox>
      </Form.Item>
      <Form.Item name="attendMin" label="Heat is on and nobody touched anything: ask after" extra="Empty: it is never asked.">
        <InputNumber suffix="min" placeholder="never" style={{ width: 220 }} />
      </Form.Item>
      <TypedItem name="lookAt" label="What steeps for days is looked at" read={clock} placeholder="18:00" hint="Empty: whenever a day is over." />
      <Form.Item name="emergencyNumber" label="Emergency number">
        <Input maxLength={40} />
      </Form.Item>
    </>
  ),
  measures: (
    <>
      {choice('mass', 'Weights', [
        { value: 'grams', label: 'grams' },
        { value: 'ounces', label: 'ounces and pounds' },
      ])}
      {choice('volume', 'Volumes', [
        { value: 'litres', label: 'litres' },
        { value: 'us', label: 'US cups and gallons' },
        { value: 'imperial', label: 'imperial pints and gallons' },
      ])}
      {choice('kitchen', 'A spoon or cup with no name is', [
        { value: null, label: 'asked about' },
        { value: 'us', label: 'US' },
        { value: 'metric', label: 'metric' },
        { value: 'imperial', label: 'imperial' },
        { value: 'australian', label: 'Australian' },
      ])}
      {choice('temperature', 'Temperatures', [
        { value: 'C', label: '°C' },
        { value: 'F', label: '°F' },
      ])}
      {choice('clock', 'Clock', [
        { value: '24h', label: '14:30' },
        { value: '12h', label: '2:30 pm' },
      ])}
      {choice('dateOrder', 'Dates', [
        { value: 'dmy', label: '28 Nov' },
        { value: 'mdy', label: 'Nov 28' },
        { value: 'ymd', label: '2026-11-28' },
      ])}
      {choice('weekStart', 'The week begins on', [
        { value: 1, label: 'Monday' },
        { value: 0, label: 'Sunday' },
        { value: 6, label: 'Saturday' },
      ])}
      <p className="quiet small">Figures are printed so; every field takes every writing all the same.</p>
    </>
  ),
};
