'use client';
import { Checkbox, ConfigProvider, Form, Input, Segmented, Select } from 'antd';
import { useState } from 'react';
import { eventInput } from '@/contract/schemas';
import { knownValue, measured, oneOf } from '@/core/figure';
import type { Vessel } from '@/core/kitchen/vessel';
import { printNumber } from '@/core/measure/print';
import type { Printer } from '@/core/measure/printer';
import { phAimText, phSaid } from '@/core/plan/phAim';
import type { Plan, PlanStep } from '@/core/plan/plan';
import type { WeighTick } from '@/core/plan/weighTicks';
import { type BathFact, factFindings, movingFindings } from '@/core/run/additionFindings';
import { amountNow } from '@/core/run/amountNow';
import { type RunFact, TIGHTNESSES } from '@/core/run/events';
import type { RunState, StepState } from '@/core/run/fold';
import { doseSaid } from '@/core/run/phNext';
import { topUpText } from '@/core/run/topUp';
import { shelfOf } from '@/core/shelf/library';
import { bulkOf } from '@/core/shelf/spoonOf';
import type { StockLevel } from '@/core/shelf/stock';
import { newId } from '../api/newId';
import { nowMs } from '../api/serverClock';
import { FormSheet } from '../form/FormSheet';
import { NumberPad } from '../form/NumberPad';
import { TypedItem } from '../form/TypedItem';
import { asTyped } from '../form/typed';
import { WhenField } from '../form/WhenField';
import { Findings } from '../shell/Findings';
import { usePrint } from '../shell/facts';
import { stoveTheme } from '../theme/antdTheme';
import type { AskFor } from './acts';
import { AGO, type AskValues, askFact, askReader, TOP_UP } from './askFact';

export interface Asked {
  readonly ask: AskFor;
  readonly step: PlanStep;
  readonly additionId?: string;
}

interface Props {
  readonly asked: Asked;
  readonly plan: Plan;
  readonly state: RunState;
  /** What the step's bath was read at last, °C. */
  readonly latestC: number | null;
  /** What was weighed out before, by "step/addition". */
  readonly weighed: ReadonlyMap<string, WeighTick>;
  readonly vessels: readonly Vessel[];
  /** What is on the shelf: a spoon weighed there is the dyer's own. */
  readonly stock: readonly StockLevel[];
  /** Steps of the other pots that are in use: what is said of one may be said of all. */
  readonly others: readonly PlanStep[];
  /** @param also the other steps that it is said of */
  readonly onLog: (fact: RunFact, atMs: number, also: readonly PlanStep[]) => void;
  readonly onClose: () => void;
}

const TITLES: Record<AskFor, string> = {
  reading: 'Temperature',
  heat: 'Heat or lid',
  rolled: 'How is it rolled?',
  ph: 'pH',
  volume: 'Volume',
  addition: 'Addition',
  checked: 'What did you see?',
  note: 'Note',
  move: 'Move to',
  skip: 'Skip this step',
  pause: 'Pause',
  weigh: 'Weigh a lot, dry',
};
const LABELS: Record<AskFor, string> = {
  reading: 'What does it read? 82, 180 F, or 60–65',
  heat: 'The number on the knob; 0 is off, empty when there is none',
  ph: 'pH',
  volume: 'How much is in it? 5 L, 2 gal (US), or about 4 L',
  addition: 'How much? 54 g, or 1 1/2 tsp (US)',
  rolled: 'How is it rolled?',
  checked: 'In a few words',
  note: 'Note',
  move: 'Vessel',
  skip: 'Why?',
  pause: 'Why?',
  weigh: 'Dry weight: 152 g, or 5 oz',
};
/** Acts that mean nothing without a word. */
const NEEDED: Partial<Record<AskFor, string>> = {
  reading: 'Type what it reads.',
  ph: 'A pH is a number between 0 and 14, or a range such as 5–6.',
  volume: 'Type how much there is.',
  addition: 'Type how much, or say that nobody knows.',
  weigh: 'Type the weight.',
  note: 'Write something.',
  skip: 'Say why, for whoever reads the record.',
};
/** When what is said beside the form is to be read. */
const BEFORE: Partial<Record<AskFor, string>> = {
  move: 'Before you carry it.',
  addition: 'Before you pour it in.',
  ph: 'Before you go on.',
  reading: 'Before you go on.',
};
const PLACES = {
  value: 'text',
  dryWeightG: 'text',
  knob: 'text',
  hasLid: 'choice',
  tightness: 'choice',
  amount: 'text',
  finding: 'text',
  reason: 'text',
  substance: 'other',
  toVesselId: 'choice',
  lotId: 'choice',
};

/** A wet finger steps what was read last by so much: degrees, pH. */
const PAD_STEP: Partial<Record<AskFor, number>> = { reading: 1, ph: 0.1 };
/** A keyboard that came up by itself would lie over the pad. */
const isTouched = (): boolean => window.matchMedia('(pointer: coarse)').matches;
/** What may be said of all pots at once. */
const FOR_ALL: readonly AskFor[] = ['reading', 'checked', 'note', 'pause'];

/** What was read there last, as one would type it; null where nothing was, or nothing is read. */
function lastRead(ask: AskFor, own: StepState | undefined, latestC: number | null, print: Printer): string | null {
  const ph = own?.ph.at(-1)?.value;
  if (ask === 'reading' && latestC !== null) return print.temperature(latestC);
  return ask === 'ph' && ph !== undefined ? printNumber(ph) : null;
}

/** What a bath feels of a fact; null for what does not touch it. */
function bathFact(fact: RunFact): BathFact | null {
  if (fact.type === 'addition') return { pouring: fact };
  if (fact.type === 'reading' && fact.quantity === 'ph') return { ph: fact.value };
  return fact.type === 'reading' && fact.quantity === 'bathC' ? { bathC: fact.value } : null;
}

const readPh = (fact: RunFact): number => (fact.type === 'reading' && fact.quantity === 'ph' ? fact.value : Number.NaN);

/** A small form for an act that needs a word or a number. */
export function AskDialog({ asked, plan, state, latestC, weighed, vessels, stock, others, onLog, onClose }: Props) {
  const { ask, step } = asked;
  const print = usePrint();
  const shelf = shelfOf(plan.own);
  const bulk = (substance: string) => bulkOf(substance, shelf, stock);
  const addition = step.additions.find((a) => a.id === asked.additionId) ?? (ask === 'addition' ? step.additions[0] : undefined);
  /** What is to go in, as one would type it: what stands ready on the table, or else the plan's; nothing for what no plan knows. */
  const readyText = (additionId: string | undefined): string => {
    const chosen = step.additions.find((a) => a.id === additionId);
    if (ask !== 'addition' || !chosen) return '';
    const ready = weighed.get(`${step.id}/${chosen.id}`)?.amount;
    const value = (ready ? knownValue(ready) : null) ?? oneOf(amountNow(chosen, step, plan, state));
    return value === null ? '' : asTyped(measured(Math.round(value * 100) / 100), chosen.unit);
  };
  // As it stood when the form was opened: what a probe says meanwhile does not type into it.
  const [lastText] = useState(() => lastRead(ask, state.steps[step.id], latestC, print));
  const first: AskValues = {
    text: lastText ?? readyText(addition?.id),
    choice:
      ask === 'move'
        ? ''
        : ask === 'weigh'
          ? ((plan.lots.find((lot) => lot.dryWeightG.state === 'unknown') ?? plan.lots[0])?.id ?? '')
          : ask === 'heat' || ask === 'rolled'
            ? 'same'
            : 'measured',
    what: ask === 'rolled' ? 'same' : (asked.additionId ?? addition?.id ?? 'other'),
    other: '',
    ago: 'now',
    atMs: null,
    all: false,
  };
  const whenOf = ({ ago, atMs }: AskValues): number => (ago === 'at' && atMs !== null ? atMs : nowMs() - (Number(ago) || 0) * 60_000);
  const factOf = (values: AskValues) => askFact(ask, step, values, shelf, print.measures, bulk);
  return (
    <ConfigProvider theme={stoveTheme}>
      <FormSheet<AskValues>
        name={`ask-${ask}-${step.id}-${asked.additionId ?? ''}`}
        title={`${TITLES[ask]} · ${step.title}`}
        okText="Log it"
        first={first}
        body={(values) => ({ ...factOf(values), id: newId(), atMs: Math.round(whenOf(values)) })}
        schema={eventInput}
        places={PLACES}
        send={(body, { all }) => {
          const { id: _id, atMs, ...fact } = body as RunFact & { id: string; atMs: number };
          onLog(fact as RunFact, atMs, all && FOR_ALL.includes(ask) ? others : []);
          return Promise.resolve();
        }}
        onDone={onClose}
        onClose={onClose}
      >
        {(values, set) => {
          // Words of one's own stay, whatever they are of.
          const whatChanged = (what: string) => {
            if (values.text === readyText(values.what)) set({ text: readyText(what) });
          };
          const reader = askReader(ask, step, values, shelf, print.measures, bulk);
          const fact = factOf(values);
          const felt = bathFact(fact);
          const cold =
            fact.type === 'addition' && fact.substance === 'water' && fact.unit === 'mL'
              ? topUpText(plan, state, step, latestC, knownValue(fact.amount) ?? 0, print, nowMs())
              : null;
          const warnings = ask === 'move' ? movingFindings(step, state.steps[step.id], latestC) : felt ? factFindings(plan, step, state.steps, felt) : [];
          return (
            <>
              {ask === 'addition' ? (
                <Form.Item name="what" label="What went in">
                  <Select
                    onChange={whatChanged}
                    options={[
                      ...step.additions.map((a) => ({ value: a.id, label: a.name })),
                      { value: TOP_UP, label: 'water, topped up' },
                      { value: 'other', label: 'something else' },
                    ]}
                  />
                </Form.Item>
              ) : null}
              {ask === 'addition' && values.what === 'other' ? (
                <Form.Item name="other" label="Its name" rules={[{ required: true, whitespace: true, message: 'Name what went in.' }]}>
                  <Input maxLength={120} />
                </Form.Item>
              ) : null}
              {ask === 'move' ? (
                <Form.Item name="choice" label="Vessel" rules={[{ required: true, message: 'Choose a vessel.' }]}>
                  <Select options={vessels.filter((v) => v.id !== step.vesselId).map((v) => ({ value: v.id, label: v.name }))} />
                </Form.Item>
              ) : null}
              {ask === 'weigh' ? (
                <Form.Item name="choice" label="Lot">
                  <Select options={plan.lots.map((lot) => ({ value: lot.id, label: lot.name }))} />
                </Form.Item>
              ) : null}
              {ask === 'rolled' ? <RolledItems /> : null}
              {ask === 'rolled' || ask === 'move' || (ask === 'addition' && (values.choice === 'unknown' || values.choice === 'leftOut')) ? null : reader ? (
                <TypedItem
                  name="text"
                  label={LABELS[ask]}
                  read={() => reader}
                  autoFocus={!(PAD_STEP[ask] && isTouched())}
                  typesOver={lastText !== null}
                  {...(ask === 'ph' ? { placeholder: '5.5, or 5–6' } : {})}
                  {...(NEEDED[ask] ? { required: NEEDED[ask] } : {})}
                />
              ) : (
                <Form.Item name="text" label={LABELS[ask]} rules={NEEDED[ask] ? [{ required: true, whitespace: true, message: NEEDED[ask] }] : []}>
                  <Input autoFocus maxLength={4000} />
                </Form.Item>
              )}
              {PAD_STEP[ask] ? <NumberPad text={values.text} onText={(text) => set({ text })} step={PAD_STEP[ask]} /> : null}
              {others.length > 0 && FOR_ALL.includes(ask) ? (
                <Form.Item name="all" valuePropName="checked">
                  <Checkbox>The same for all {others.length + 1} pots</Checkbox>
                </Form.Item>
              ) : null}
              {ask === 'heat' ? (
                <Form.Item name="choice" label="Lid">
                  <Segmented
                    options={[
                      { value: 'same', label: 'as it was' },
                      { value: 'on', label: 'on' },
                      { value: 'off', label: 'off' },
                    ]}
                  />
                </Form.Item>
              ) : null}
              {cold ? <p aria-live="polite">{cold}</p> : null}
              {ask === 'ph' && step.phAim ? (
                <p aria-live="polite">
                  Aim: {phAimText(step.phAim)}.{' '}
                  {Number.isNaN(readPh(fact))
                    ? ''
                    : print.says(phSaid(step.phAim, readPh(fact), doseSaid(plan, step, state.steps[step.id], readPh(fact), whenOf(values)) || undefined))}
                </p>
              ) : null}
              {ask === 'addition' ? (
                <Form.Item name="choice" label="How sure">
                  <Segmented
                    options={[
                      { value: 'measured', label: 'measured' },
                      { value: 'estimated', label: 'estimated' },
                      { value: 'unknown', label: 'nobody knows' },
                      { value: 'leftOut', label: 'left out' },
                    ]}
                  />
                </Form.Item>
              ) : null}
              <Form.Item name="ago" label="When">
                <Segmented options={AGO.map((ago) => ({ value: ago, label: ago === 'now' ? 'now' : ago === 'at' ? 'at …' : `${ago} min ago` }))} />
              </Form.Item>
              {values.ago === 'at' ? (
                <Form.Item name="atMs" label="When it was" rules={[{ required: true, message: 'Type when it was.' }]}>
                  <AtField />
                </Form.Item>
              ) : null}
              {warnings.length > 0 ? (
                <div aria-live="polite">
                  <p className="small">{BEFORE[ask] ?? ''} If it is done already, log it all the same.</p>
                  <Findings findings={warnings} />
                </div>
              ) : null}
            </>
          );
        }}
      </FormSheet>
    </ConfigProvider>
  );
}

const AtField = ({ value = null, onChange, id = '' }: { value?: number | null; onChange?: (ms: number | null) => void; id?: string }) => (
  <WhenField id={id} label="When it was" value={value} onChange={(ms) => onChange?.(ms)} optional placeholder="today 14:20, yesterday 18:00" />
);

/** How a bundle is rolled: two things, each in one tap. */
const RolledItems = () => (
  <>
    <Form.Item name="choice" label="Rolled and tied">
      <Segmented options={[{ value: 'same', label: 'not said' }, ...TIGHTNESSES.map((one) => ({ value: one, label: one }))]} />
    </Form.Item>
    <Form.Item name="what" label="Something between, to keep a part pale">
      <Segmented
        options={[
          { value: 'same', label: 'not said' },
          { value: 'used', label: 'used' },
          { value: 'none', label: 'none' },
        ]}
      />
    </Form.Item>
  </>
);
