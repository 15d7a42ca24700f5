'use client';
import { Form, Input, InputNumber, Select } from 'antd';
import { splitInput } from '@/contract/schemas';
import type { LotView } from '@/contract/views';
import { LOT_FORMS, type LotForm } from '@/core/fibre/lot';
import { checkSplit, evenParts, splitRefusalText } from '@/core/fibre/split';
import { type Figure, knownValue } from '@/core/figure';
import type { Measures } from '@/core/measure/measures';
import { post } from '../api/http';
import { newId } from '../api/newId';
import { FormSheet } from '../form/FormSheet';
import { Hidden } from '../form/Hidden';
import { TypedItem } from '../form/TypedItem';
import { massReader } from '../form/typed';
import { usePrint } from '../shell/facts';

interface Part {
  readonly id: string;
  readonly name: string;
  readonly text: string;
  /** The weight as an even split proposed it: what stands as proposed was weighed by nobody. */
  readonly proposed: string;
  readonly pieces: number | null;
}
interface Values {
  readonly revision: number;
  readonly form: LotForm;
  readonly count: number | null;
  readonly parts: readonly Part[];
}

/** More rows than these nobody fills in; a lot can be split again. */
const MOST_PARTS = 40;
const canSplit = (count: unknown): count is number => typeof count === 'number' && Number.isInteger(count) && count >= 2 && count <= MOST_PARTS;

function evenSplit(lot: LotView, count: number): Part[] {
  const wholeG = knownValue(lot.dryWeightG);
  const grams = wholeG === null ? null : evenParts(wholeG, count);
  return Array.from({ length: count }, (_, i) => {
    const g = grams?.[i];
    const text = g === undefined ? '' : `${g} g`;
    return {
      id: newId(),
      name: `${lot.name}, ${String.fromCharCode(97 + (i % 26))}`.slice(0, 120),
      text,
      proposed: text,
      pieces: Math.max(1, Math.floor(lot.pieces / count)),
    };
  });
}

/** A part's weight as typed; null when it cannot be read. */
function partFigure(part: Part, measures: Measures): Figure | null {
  const read = massReader(measures)(part.text);
  if (!read.ok) return null;
  if (read.value === null) return { state: 'unknown' };
  return { state: part.text === part.proposed ? 'estimated' : 'measured', value: read.value };
}

/** Splits a lot into parts; what is left over is said while it is typed, and one part may stay unweighed. */
export function SplitForm({ lot, onClose }: { lot: LotView; onClose: () => void }) {
  const print = usePrint();
  const wholeG = knownValue(lot.dryWeightG);
  return (
    <FormSheet<Values>
      name={`split-${lot.id}`}
      title={`Split ${lot.name}`}
      okText="Split it"
      width={680}
      first={{ revision: lot.revision, form: lot.form, count: 2, parts: evenSplit(lot, 2) }}
      body={({ revision, form, parts }) => ({
        revision,
        parts: parts.map((part) => ({
          id: part.id,
          name: part.name,
          form,
          dryWeightG: partFigure(part, print.measures),
          pieces: part.pieces,
          note: lot.note,
        })),
      })}
      schema={splitInput}
      send={(body) => post(`/lots/${lot.id}/split`, body)}
      onDone={onClose}
      onClose={onClose}
    >
      {(values, set) => (
        <>
          <Hidden names={['revision']} />
          <p className="quiet">
            The parts carry its past with them.{' '}
            {wholeG === null ? 'Nobody weighed it, so the parts may stay unweighed.' : `It weighs ${print.mass(wholeG)} dry.`}
          </p>
          <div className="fields">
            <Form.Item name="form" label="The parts are">
              <Select options={LOT_FORMS.map((value) => ({ value, label: value }))} />
            </Form.Item>
            <Form.Item
              name="count"
              label="Into even parts"
              rules={[
                {
                  validator: async (_rule, count: unknown) =>
                    count === null || canSplit(count) ? undefined : Promise.reject(new Error(`From 2 to ${MOST_PARTS} parts.`)),
                },
              ]}
            >
              <InputNumber
                style={{ width: '100%' }}
                onChange={(count) => {
                  if (canSplit(count)) set({ parts: evenSplit(lot, count) });
                }}
              />
            </Form.Item>
          </div>
          <Form.List name="parts">
            {(fields) =>
              fields.map(({ key, name: i }) => (
                <div key={key} className="fields">
                  <Form.Item name={[i, 'name']} label={`Name of part ${i + 1}`}>
                    <Input maxLength={120} />
                  </Form.Item>
                  <TypedItem name={[i, 'text']} label={`Weight of part ${i + 1}`} read={massReader} placeholder="unknown" />
                  <Form.Item name={[i, 'pieces']} label={`Pieces in part ${i + 1}`}>
                    <InputNumber style={{ width: '100%' }} />
                  </Form.Item>
                </div>
              ))
            }
          </Form.List>
          <LeftOver lot={lot} parts={values.parts} />
        </>
      )}
    </FormSheet>
  );
}

function LeftOver({ lot, parts }: { lot: LotView; parts: readonly Part[] }) {
  const print = usePrint();
  const wholeG = knownValue(lot.dryWeightG);
  const figures = parts.map((part) => partFigure(part, print.measures));
  const readable = figures.filter((figure) => figure !== null);
  if (readable.length < figures.length) return <p aria-live="polite">One of the weights cannot be read.</p>;
  const checked = checkSplit(
    lot,
    parts.map((part, i) => ({ name: part.name, dryWeightG: readable[i] ?? { state: 'unknown' } })),
  );
  const restG = wholeG === null ? null : wholeG - readable.reduce((sum, figure) => sum + (knownValue(figure) ?? 0), 0);
  return (
    <p aria-live="polite" className={checked.ok ? 'quiet' : 'fault'}>
      {!checked.ok
        ? print.says(splitRefusalText(checked.error))
        : restG === null
          ? ''
          : Math.abs(restG) < 0.05
            ? 'The weights add up.'
            : `${print.mass(restG)} are left for the part without a weight.`}
    </p>
  );
}
