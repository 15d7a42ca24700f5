'use client';
import { Checkbox, Form, Input, InputNumber, Select } from 'antd';
import { useState } from 'react';
import { newSubstance } from '@/contract/shelf';
import { plantRowsFor } from '@/core/safety/data/plants';
import { ASSISTANT_GROUPS } from '@/core/shelf/assistant';
import { CHEMISTRIES, CHEMISTRY_WORD, MORDANT_WORD } from '@/core/shelf/dyestuff';
import { post } from '../api/http';
import { newId } from '../api/newId';
import { ColourField } from '../fibre/ColourField';
import { FormSheet } from '../form/FormSheet';
import { Hidden } from '../form/Hidden';
import { TypedItem } from '../form/TypedItem';
import { numberReader, temperatureReader, typedValue } from '../form/typed';
import { Caution } from '../shell/Findings';
import { usePrint } from '../shell/facts';

interface Plant {
  readonly id: string;
  readonly name: string;
  readonly part: string;
  readonly botanical: string;
  readonly chemistry: (typeof CHEMISTRIES)[number];
  readonly mordant: keyof typeof MORDANT_WORD;
  readonly phSensitive: boolean;
  readonly fades: boolean;
  readonly maxText: string;
  readonly freshText: string;
  readonly driedText: string;
  readonly colour: string;
  readonly expectedHex: string | null;
}
interface Chemical {
  readonly id: string;
  readonly name: string;
  readonly group: (typeof ASSISTANT_GROUPS)[number];
  readonly unit: 'g' | 'mL';
  readonly usual: string;
  readonly cautionAbovePct: number | null;
  readonly inBrief: string;
}

const ratio = () => numberReader(0, 1000, ': 1');
const send = (body: unknown) => post('/substances', body);
const places = (names: readonly string[], others: Readonly<Record<string, string>>) => ({
  ...Object.fromEntries(names.map((name) => [`what.${name}`, name])),
  ...others,
});

/** A plant or chemical that the library does not have. */
export const SubstanceForm = ({ kind, onClose }: { kind: 'dyestuff' | 'assistant'; onClose: () => void }) =>
  kind === 'dyestuff' ? <PlantForm onClose={onClose} /> : <ChemicalForm onClose={onClose} />;

function PlantForm({ onClose }: { onClose: () => void }) {
  const { measures, ...print } = usePrint();
  const [id] = useState(newId);
  const first: Plant = {
    id,
    name: '',
    part: '',
    botanical: '',
    chemistry: 'unknown',
    mordant: 'unsettled',
    phSensitive: false,
    fades: false,
    // Plants of unknown nature are not boiled: the trade's own ceiling.
    maxText: print.temperature(82.2),
    freshText: '10',
    driedText: '1',
    colour: '',
    expectedHex: '#b9ad8c',
  };
  return (
    <FormSheet<Plant>
      name="plant-new"
      title="Add a dyestuff"
      first={first}
      body={({ id: own, fades, maxText, freshText, driedText, expectedHex, ...rest }) => ({
        id: own,
        what: {
          kind: 'dyestuff',
          ...rest,
          fugitive: fades ? 'said' : 'no',
          maxC: typedValue(temperatureReader(measures), maxText),
          ratioFresh: typedValue(ratio(), freshText),
          ratioDried: typedValue(ratio(), driedText),
          expectedHex: expectedHex ?? '#b9ad8c',
        },
      })}
      schema={newSubstance}
      places={places(['name', 'part', 'botanical', 'colour'], { 'what.maxC': 'maxText', 'what.ratioFresh': 'freshText', 'what.ratioDried': 'driedText' })}
      send={send}
      onDone={onClose}
      onClose={onClose}
    >
      {(values) => (
        <>
          <Hidden names={['id']} />
          <div className="fields">
            <Form.Item name="name" label="Name">
              <Input maxLength={120} />
            </Form.Item>
            <Form.Item name="part" label="Part">
              <Input maxLength={80} placeholder="leaf, bark, root" />
            </Form.Item>
            <Form.Item name="botanical" label="Botanical">
              <Input maxLength={80} placeholder="not looked up" />
            </Form.Item>
            <Form.Item name="chemistry" label="Chemistry">
              <Select options={CHEMISTRIES.map((value) => ({ value, label: CHEMISTRY_WORD[value] }))} />
            </Form.Item>
            <Form.Item name="mordant" label="Mordant">
              <Select options={(Object.keys(MORDANT_WORD) as (keyof typeof MORDANT_WORD)[]).map((value) => ({ value, label: MORDANT_WORD[value] }))} />
            </Form.Item>
            <TypedItem name="maxText" label="Never above" read={(how) => temperatureReader(how)} placeholder="no limit known" />
            <TypedItem name="freshText" label="Fresh, to fibre, : 1" read={ratio} placeholder="no figure" />
            <TypedItem name="driedText" label="Dried, to fibre, : 1" read={ratio} placeholder="no figure" />
            <Form.Item name="colour" label="Colour hoped for">
              <Input maxLength={200} />
            </Form.Item>
          </div>
          <Form.Item name="expectedHex" label="Drawn in this colour until a result says otherwise">
            <ColourField />
          </Form.Item>
          <Form.Item name="phSensitive" valuePropName="checked">
            <Checkbox>moves with acid and alkali</Checkbox>
          </Form.Item>
          <Form.Item name="fades" valuePropName="checked">
            <Checkbox>said to fade</Checkbox>
          </Form.Item>
          <div aria-live="polite">
            {plantRowsFor(`${values.name} ${values.part}`).map((row) => (
              <Caution key={row.id} severity={row.severity} text={`${row.trouble}. ${row.say}`} />
            ))}
          </div>
          <p className="quiet small">Identification is yours to make sure of: two independent sources, or leave it.</p>
        </>
      )}
    </FormSheet>
  );
}

function ChemicalForm({ onClose }: { onClose: () => void }) {
  const [id] = useState(newId);
  const first: Chemical = { id, name: '', group: 'other', unit: 'g', usual: '', cautionAbovePct: null, inBrief: '' };
  return (
    <FormSheet<Chemical>
      name="chemical-new"
      title="Add an assistant"
      first={first}
      body={({ id: own, ...rest }) => ({ id: own, what: { kind: 'assistant', ...rest } })}
      schema={newSubstance}
      places={places(['name', 'group', 'unit', 'usual', 'cautionAbovePct', 'inBrief'], {})}
      send={send}
      onDone={onClose}
      onClose={onClose}
    >
      {() => (
        <>
          <Hidden names={['id']} />
          <div className="fields">
            <Form.Item name="name" label="Name">
              <Input maxLength={120} />
            </Form.Item>
            <Form.Item name="group" label="Group">
              <Select options={ASSISTANT_GROUPS.map((value) => ({ value, label: value }))} />
            </Form.Item>
            <Form.Item name="unit" label="Measured in">
              <Select options={['g', 'mL'].map((value) => ({ value, label: value }))} />
            </Form.Item>
            <Form.Item name="usual" label="Usual dose, in words">
              <Input maxLength={160} />
            </Form.Item>
            <Form.Item name="cautionAbovePct" label="Warn me above">
              <InputNumber suffix="% WOF" placeholder="no limit" style={{ width: '100%' }} />
            </Form.Item>
            <Form.Item name="inBrief" label="To beware of">
              <Input maxLength={200} />
            </Form.Item>
          </div>
        </>
      )}
    </FormSheet>
  );
}
