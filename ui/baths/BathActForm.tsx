'use client';
import { useQueryClient } from '@tanstack/react-query';
import { AutoComplete, Form, Input, InputNumber, Select } from 'antd';
import { useState } from 'react';
import { type BathPage, keptActInput } from '@/contract/baths';
import { type Figure, measured, UNKNOWN } from '@/core/figure';
import type { KeptFact } from '@/core/liquor/act';
import { KEPT_IN, type KeptIn } from '@/core/liquor/liquor';
import type { Measures } from '@/core/measure/measures';
import { substanceByName } from '@/core/run/additionFindings';
import { mixing } from '@/core/safety/rules/together';
import { post } from '../api/http';
import { newId } from '../api/newId';
import type { Book } from '../api/useBook';
import { FormSheet } from '../form/FormSheet';
import { TypedItem } from '../form/TypedItem';
import { amountReader, bathVolumeReader, massReader, numberReader, typedValue, volumeReader } from '../form/typed';
import { WhenField } from '../form/WhenField';
import { Caution, Findings } from '../shell/Findings';
import { usePrint } from '../shell/facts';
import { Notice } from '../shell/Notice';
import { ACT_WORD, type ActKind, KEPT_WORD } from './keptWords';

interface Values {
  readonly id: string;
  readonly what: string;
  readonly volume: string;
  readonly draw: number | null;
  readonly toId: string;
  readonly substance: string;
  readonly amount: string;
  readonly ph: string;
  readonly keptIn: KeptIn;
  readonly place: string;
  readonly fibre: string;
  readonly how: string;
  readonly atMs: number | null;
}

const NEEDS_VOLUME: readonly ActKind[] = ['pouredIn', 'drawn', 'water'];

interface Props {
  readonly kind: ActKind;
  readonly page: BathPage;
  readonly book: Book;
  readonly onDone: () => void;
  readonly onClose: () => void;
}

/** One thing done to a kept bath. What it would meet there is said while it is typed. */
export function BathActForm({ kind, page, book, onDone, onClose }: Props) {
  const print = usePrint();
  const cache = useQueryClient();
  const [id] = useState(newId);
  const { liquor, now } = page;
  const draws = page.acts.filter(({ fact, withdrawn }) => fact.kind === 'pouredIn' && fact.draw !== null && withdrawn === null).length;
  const first: Values = {
    id,
    what: kind === 'pouredIn' ? book.shelf.nameOf(liquor.dyestuffId ?? '') || '' : '',
    volume: '',
    draw: kind === 'pouredIn' && liquor.dyestuffId !== null ? draws + 1 : null,
    toId: '',
    substance: '',
    amount: '',
    ph: '',
    keptIn: now.keptIn,
    place: now.place,
    fibre: '',
    how: page.pour[0] ?? '',
    atMs: null,
  };
  const others = book.liquors.filter((one) => one.id !== liquor.id);
  const factOf = (values: Values): KeptFact => factFrom(kind, values, book, print.measures);
  return (
    <FormSheet<Values>
      name={`bath-${kind}-${liquor.id}`}
      title={`${ACT_WORD[kind]}: ${liquor.name}`}
      okText={kind === 'pouredAway' ? 'It is poured away' : 'Log it'}
      first={first}
      body={(values) => ({ id: values.id, fact: factOf(values), ...(values.atMs === null ? {} : { atMs: values.atMs }) })}
      schema={keptActInput}
      places={{
        'fact.mL': 'volume',
        'fact.what': 'what',
        'fact.substance': 'substance',
        'fact.amount': 'amount',
        'fact.ph': 'ph',
        'fact.place': 'place',
        'fact.fibreG': 'fibre',
        'fact.how': 'how',
        'fact.toId': 'toId',
        'fact.draw': 'draw',
      }}
      // The page has it before the form goes: the next draw is counted from it.
      send={(body) => post(`/liquors/${liquor.id}/acts`, body).then(() => cache.refetchQueries({ queryKey: [`/baths/${liquor.id}`] }))}
      onDone={onDone}
      onClose={onClose}
    >
      {(values) => (
        <>
          {kind === 'pouredAway' ? <PourAway page={page} /> : null}
          {kind === 'drawn' ? (
            <Form.Item name="toId" label="Into">
              <Select
                showSearch={{ optionFilterProp: 'label' }}
                options={[{ value: '', label: 'a pot, a jar, a trial: nothing that is kept' }, ...others.map((one) => ({ value: one.id, label: one.name }))]}
              />
            </Form.Item>
          ) : null}
          {kind === 'pouredIn' || kind === 'drawn' || kind === 'used' ? (
            <Form.Item
              name="what"
              label={kind === 'pouredIn' ? 'What' : kind === 'used' ? 'What was dyed' : 'What for'}
              rules={[{ required: true, whitespace: true, message: 'Say it in a word or two.' }]}
            >
              <Input maxLength={120} />
            </Form.Item>
          ) : null}
          {kind === 'pouredIn' ? (
            <Form.Item
              name="draw"
              label="Which extraction of the same plants"
              extra="A first and a second draw are never of one strength. Leave it empty for anything else."
            >
              <InputNumber min={1} max={100} style={{ width: 120 }} />
            </Form.Item>
          ) : null}
          {kind === 'put' ? (
            <>
              <Form.Item name="substance" label="What went in" rules={[{ required: true, whitespace: true, message: 'Name what went in.' }]}>
                <AutoComplete
                  options={[...book.assistants, ...book.dyestuffs].map((one) => ({ value: one.name }))}
                  showSearch={{ filterOption: (typed, option) => (option?.value ?? '').toLowerCase().includes(typed.toLowerCase()) }}
                />
              </Form.Item>
              <TypedItem name="amount" label="How much" read={(how) => amountReader(unitOf(values.substance, book), null, how)} placeholder="unknown; 12 g" />
            </>
          ) : null}
          {NEEDS_VOLUME.includes(kind) ? (
            <TypedItem name="volume" label="How much" read={bathVolumeReader} placeholder="1.5 L, about 2 L" required="Type how much it was; about is fine." />
          ) : null}
          {kind === 'read' ? (
            <div className="fields">
              <TypedItem name="ph" label="pH" read={() => numberReader(0, 14)} placeholder="not measured" />
              <TypedItem name="volume" label="Volume" read={(how) => volumeReader(how, 'L')} placeholder="not measured" />
            </div>
          ) : null}
          {kind === 'moved' ? (
            <div className="fields">
              <Form.Item name="keptIn" label="Kept">
                <Select options={KEPT_IN.map((value) => ({ value, label: KEPT_WORD[value] }))} />
              </Form.Item>
              <Form.Item name="place" label="Place">
                <Input maxLength={120} />
              </Form.Item>
            </div>
          ) : null}
          {kind === 'used' ? <TypedItem name="fibre" label="Dry weight of it" read={massReader} placeholder="unknown; 50 g" /> : null}
          {kind === 'pouredAway' ? (
            <Form.Item name="how" label="How" rules={[{ required: true, whitespace: true, message: 'Say how it goes away.' }]}>
              <Input.TextArea autoSize={{ minRows: 2 }} maxLength={400} />
            </Form.Item>
          ) : null}
          <Form.Item name="atMs" label="When">
            <AtField />
          </Form.Item>
          <Meets kind={kind} values={values} page={page} book={book} />
        </>
      )}
    </FormSheet>
  );
}

const AtField = ({ value = null, onChange, id = '' }: { value?: number | null; onChange?: (ms: number | null) => void; id?: string }) => (
  <WhenField id={id} label="When" value={value} onChange={(ms) => onChange?.(ms)} optional placeholder="now; today 14:20, yesterday 18:00" />
);

const unitOf = (name: string, book: Book): 'g' | 'mL' => book.shelf.assistant(substanceByName(name, book.shelf))?.unit ?? 'g';
const volumeOf = (text: string, measures: Measures): Figure => typedValue(bathVolumeReader(measures), text)?.figure ?? UNKNOWN;

function factFrom(kind: ActKind, values: Values, book: Book, measures: Measures): KeptFact {
  const what = values.what.trim();
  switch (kind) {
    case 'pouredIn':
      return { kind, what, mL: volumeOf(values.volume, measures), draw: values.draw };
    case 'drawn':
      return { kind, what, mL: volumeOf(values.volume, measures), toId: values.toId || null };
    case 'water':
      return { kind, mL: volumeOf(values.volume, measures) };
    case 'put': {
      const unit = unitOf(values.substance, book);
      const read = typedValue(amountReader(unit, null, measures), values.amount);
      return { kind, substance: substanceByName(values.substance, book.shelf), amount: read?.figure ?? UNKNOWN, unit };
    }
    case 'strained':
      return { kind };
    case 'read':
      return { kind, ph: typedValue(numberReader(0, 14), values.ph), mL: typedValue(volumeReader(measures, 'L'), values.volume) };
    case 'moved':
      return { kind, keptIn: values.keptIn, place: values.place.trim() };
    case 'used': {
      const g = typedValue(massReader(measures), values.fibre);
      return { kind, what, fibreG: g === null ? UNKNOWN : measured(g) };
    }
    case 'pouredAway':
      return { kind, how: values.how.trim() };
  }
}

/** Before it is poured: what is in it, and who still counts on it (safety handbook R30, X1–X3). */
function PourAway({ page }: { page: BathPage }) {
  const left = page.solutes.filter(({ left: amount, isMatter }) => amount !== 0 && !isMatter).map(({ name }) => name);
  return (
    <>
      {page.plannedIn.length > 0 ? (
        <Notice kind="fault">
          Planned with it: {page.plannedIn.map(({ name }) => name).join(', ')}. They cannot be started without it: change them, or keep enough for them.
        </Notice>
      ) : null}
      <Caution severity="caution" text="before pouring: what is in it, where does the drain go, do local rules allow it? Cool it first." />
      <p>{left.length > 0 ? `In it: ${left.join(', ')}.` : 'Nobody wrote down anything that is dissolved in it.'}</p>
      <ul className="stack stack-tight">
        {page.pour.map((way) => (
          <li key={way}>{way}</li>
        ))}
      </ul>
    </>
  );
}

interface MeetsProps {
  readonly kind: ActKind;
  readonly values: Values;
  readonly page: BathPage;
  readonly book: Book;
}

/** What must not meet what is in it already. */
function Meets({ kind, values, page, book }: MeetsProps) {
  if (kind !== 'put' || values.substance.trim() === '') return null;
  const inIt = page.solutes.filter(({ left }) => left !== 0).map(({ substance }) => substance);
  const before = new Set(mixing(inIt, book.shelf).map(({ text }) => text));
  const said = mixing([...inIt, substanceByName(values.substance, book.shelf)], book.shelf).filter(({ text }) => !before.has(text));
  if (said.length === 0) return null;
  return (
    <div aria-live="polite">
      <p className="small">Before you pour it in. If it is done already, log it all the same.</p>
      <Findings findings={said.map((one) => ({ ...one, stepId: null }))} />
    </div>
  );
}
