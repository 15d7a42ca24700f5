'use client';
import { Form, Input, InputNumber, Radio, Select } from 'antd';
import { useMemo, useState } from 'react';
import { trialInput } from '@/contract/trials';
import { knownValue } from '@/core/figure';
import { countText } from '@/core/measure/print';
import { WAYS } from '@/core/method/data/ways';
import type { Trial } from '@/core/trial/trial';
import { post } from '../api/http';
import { newId } from '../api/newId';
import { FormSheet } from '../form/FormSheet';
import { Hidden } from '../form/Hidden';
import { TypedItem } from '../form/TypedItem';
import { massReader, typedValue } from '../form/typed';
import { usePrint } from '../shell/facts';
import { type Choices, FactorsField } from './FactorsField';
import { TrialTime } from './TrialTime';
import { costOf, type FactorDraft, levelsFault, type NameOf, type TrialValues, trialBody } from './trialDraft';

/** Ways that treat all lots alike: what differs is said by the trial, not by the way. */
const EVEN_WAYS = WAYS.filter(({ steps }) => steps.every(({ nth }) => nth === undefined));

interface Props {
  readonly choices: Choices;
  /** What is known already: two results that differ, for a start. */
  readonly start?: Partial<TrialValues>;
  readonly onMade: (trialId: string) => void;
  readonly onClose: () => void;
}

/** A trial is thought out here; what it comes to stands under it before anything is cut. */
export function TrialForm({ choices, start = {}, onMade, onClose }: Props) {
  const [id] = useState(newId);
  const { measures } = usePrint();
  const names = new Map([...choices.methods, ...choices.dyestuffs, ...choices.lots].map((one) => [one.id, one.name]));
  const nameOf: NameOf = (which) => names.get(which) ?? which;
  const first: TrialValues = {
    id,
    name: '',
    question: '',
    factors: [],
    design: 'full',
    repeats: 2,
    controls: 1,
    pieceText: '5 g',
    wayId: 'scour-to-dye',
    dyestuffId: null,
    lotId: null,
    ...start,
  };
  return (
    <FormSheet<TrialValues>
      name={start.name ? `trial-${start.name}` : 'trial-new'}
      title="Make a trial"
      okText="Cut the pieces"
      width={760}
      first={first}
      body={(values) => trialBody(values, nameOf, typedValue(massReader(measures), values.pieceText))}
      places={{ pieceG: 'pieceText' }}
      schema={trialInput}
      send={async (sent) => onMade((await post<Trial>('/trials', sent)).id)}
      onDone={onClose}
      onClose={onClose}
    >
      {(values) => {
        const hasLots = values.factors.some(({ kind }) => kind === 'fibre');
        const differs = values.factors.some(({ kind }) => kind === 'dyestuff');
        return (
          <>
            <Hidden names={['id']} />
            <div className="fields">
              <Form.Item name="name" label="Name">
                <Input maxLength={120} placeholder="Mordant and after-bath on weld" />
              </Form.Item>
              <Form.Item name="question" label="What it is to tell">
                <Input maxLength={400} placeholder="Does 16 % do more than 10 %?" />
              </Form.Item>
            </div>
            <Form.Item
              name="factors"
              label="What differs"
              extra="The first level of each is what the others are held against."
              validateTrigger={[]}
              rules={[
                {
                  validator: async (_rule, factors: readonly FactorDraft[]) => {
                    const fault = levelsFault(factors, choices.methods, nameOf);
                    if (fault) throw new Error(fault);
                  },
                },
              ]}
            >
              <FactorsField choices={choices} />
            </Form.Item>
            <div className="fields">
              {hasLots ? null : (
                <Form.Item name="lotId" label="Cut from">
                  <Select
                    allowClear
                    showSearch={{ optionFilterProp: 'label' }}
                    placeholder="which lot"
                    options={choices.lots.map((lot) => ({ value: lot.id, label: lot.name }))}
                  />
                </Form.Item>
              )}
              <Form.Item name="wayId" label="All go through">
                <Select
                  allowClear
                  showSearch={{ optionFilterProp: 'label' }}
                  placeholder="nothing planned: I do it by hand"
                  options={EVEN_WAYS.map((way) => ({ value: way.id, label: way.name }))}
                />
              </Form.Item>
              {differs || !values.wayId ? null : (
                <Form.Item name="dyestuffId" label="Dyestuff">
                  <Select
                    allowClear
                    showSearch={{ optionFilterProp: 'label' }}
                    placeholder="which plant"
                    options={choices.dyestuffs.map((one) => ({ value: one.id, label: one.name }))}
                  />
                </Form.Item>
              )}
            </div>
            <Form.Item name="design" label="Which cells">
              <Radio.Group
                options={[
                  { value: 'full', label: 'every one' },
                  { value: 'single', label: 'one thing changed at a time' },
                  { value: 'reduced', label: 'as few as still tell' },
                ]}
              />
            </Form.Item>
            <div className="fields">
              <Form.Item name="repeats" label="Pieces of each">
                <InputNumber min={1} max={12} style={{ width: '100%' }} />
              </Form.Item>
              <Form.Item name="controls" label="Kept out as controls">
                <InputNumber min={0} max={40} style={{ width: '100%' }} />
              </Form.Item>
              <TypedItem name="pieceText" label="Weight of a piece" read={massReader} required="Say what a piece weighs." placeholder="5 g" />
            </div>
            <CostLine values={values} nameOf={nameOf} choices={choices} />
          </>
        );
      }}
    </FormSheet>
  );
}

/** Cells, pieces, fibre and baths; and what even the finished trial will not tell. */
function CostLine({ values, nameOf, choices }: { values: TrialValues; nameOf: NameOf; choices: Choices }) {
  const print = usePrint();
  const { factors, design, repeats, controls, lotId } = values;
  // A search for few cells of many takes its time: anew only when they change, not with each letter of a name.
  // biome-ignore lint/correctness/useExhaustiveDependencies: names do not change what a trial comes to
  const cost = useMemo(() => costOf(values, nameOf), [factors, design, repeats, controls, lotId]);
  const pieceG = typedValue(massReader(print.measures), values.pieceText);
  const needG = cost?.pieces && pieceG ? cost.pieces * pieceG : null;
  if (!cost) return <p className="quiet">Say what differs, and what it comes to stands here.</p>;
  const lot = choices.lots.find(({ id }) => id === values.lotId);
  const haveG = lot ? knownValue(lot.dryWeightG) : null;
  return (
    <section aria-label="What it comes to" className="stack stack-tight">
      <p>
        <strong>
          {countText(cost.cells, 'cell')}
          {cost.pieces === null ? '' : `, ${countText(cost.pieces, 'piece')}`}
          {needG === null ? '' : `, ${print.mass(needG)} of fibre`}
        </strong>
        {haveG !== null && needG !== null ? ` of ${print.mass(haveG)}` : ''}
        {values.wayId ? `; ${countText(cost.baths, 'dyebath')}${cost.baths === 1 ? ' for all' : ''}.` : '.'}
      </p>
      <TrialTime values={values} pieceG={pieceG ?? null} nameOf={nameOf} />
      {cost.notTold.map((says) => (
        <p key={says} className="quiet">
          It will not tell: {says}
        </p>
      ))}
    </section>
  );
}
