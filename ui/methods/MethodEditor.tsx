'use client';
import { Button, Checkbox, Input, InputNumber, Select } from 'antd';
import { useState } from 'react';
import { printFigure } from '@/core/measure/print';
import { methodFaults } from '@/core/method/copy';
import { LID_WORD, LIDS, type Method, type Param, STAGES, type StepTemplate } from '@/core/method/method';
import { errorText, post, Refused } from '../api/http';
import type { Book } from '../api/useBook';
import { Field } from '../form/Field';
import { TypedInput } from '../form/TypedInput';
import { rangeReader } from '../form/typed';
import { Notice } from '../shell/Notice';
import { Page, Panel } from '../shell/Page';
import { KIND_WORD } from '../theme/stitches';
import { AdditionRows } from './AdditionRows';
import { PhaseRows } from './PhaseRows';
import { RefField } from './RefField';

interface Props {
  readonly method: Method;
  readonly book: Book;
  readonly onClose: () => void;
  readonly onSaved: () => void;
}

type Faults = readonly { readonly at: string; readonly message: string }[];

/** Changes one's own method: texts, figures, quantities, phases. Keeping it makes a new version. */
export function MethodEditor({ method: current, book, onClose, onSaved }: Props) {
  // The version as it was opened: one kept meanwhile on another device is pointed out by the server, not overwritten.
  const [method] = useState(current);
  const [draft, setDraft] = useState(method);
  const [refused, setRefused] = useState<Faults>([]);
  const [sending, setSending] = useState(false);
  const set = (change: Partial<Method>) => setDraft({ ...draft, ...change });
  const setStep = (i: number, change: Partial<StepTemplate>) => set({ steps: draft.steps.with(i, { ...(draft.steps[i] as StepTemplate), ...change }) });
  const setAim = (i: number, { phAim, ...step }: StepTemplate, change: Partial<NonNullable<StepTemplate['phAim']>>) => {
    const aim = { low: null, high: null, ...phAim, ...change };
    set({ steps: draft.steps.with(i, aim.low === null && aim.high === null ? step : { ...step, phAim: aim }) });
  };
  const faults = methodFaults(draft, book.shelf);
  const keep = async () => {
    const { id: _id, version: _version, ...body } = draft;
    setSending(true);
    try {
      await post(`/methods/${method.id}/versions`, { ...body, expectedVersion: method.version });
      onSaved();
    } catch (error) {
      setRefused(error instanceof Refused && error.problem.errors.length > 0 ? error.problem.errors : [{ at: '', message: errorText(error) }]);
    } finally {
      setSending(false);
    }
  };
  return (
    <Page
      title={
        <>
          Change {method.name} <span className="quiet">version {method.version}</span>
        </>
      }
      acts={
        <>
          <Button onClick={onClose}>Not now</Button>
          <Button type="primary" loading={sending} disabled={faults.length > 0 || draft === method} onClick={() => void keep()}>
            Keep as version {method.version + 1}
          </Button>
        </>
      }
    >
      {[...faults, ...refused].length > 0 ? (
        <Notice kind="fault">
          {[...faults, ...refused].map((fault) => (
            <p key={`${fault.at}${fault.message}`}>{fault.message}</p>
          ))}
        </Notice>
      ) : null}
      <Panel label="What it is">
        <div className="fields">
          <Field label="Name">{(id) => <Input id={id} value={draft.name} maxLength={120} onChange={(event) => set({ name: event.target.value })} />}</Field>
          <Field label="Stage">
            {(id) => (
              <Select
                id={id}
                value={draft.stage}
                options={STAGES.map((value) => ({ value, label: KIND_WORD[value] }))}
                onChange={(stage) => set({ stage })}
                style={{ width: '100%' }}
              />
            )}
          </Field>
          <Field label="School, in a few words">
            {(id) => <Input id={id} value={draft.school} maxLength={160} onChange={(event) => set({ school: event.target.value })} />}
          </Field>
        </div>
        <Field label="Why this way">
          {(id) => <Input.TextArea id={id} value={draft.why} autoSize={{ minRows: 2 }} onChange={(event) => set({ why: event.target.value })} />}
        </Field>
        <Field label="To beware of, a line each">
          {(id) => (
            <Input.TextArea
              id={id}
              value={draft.cautions.join('\n')}
              autoSize={{ minRows: 1 }}
              onChange={(event) => set({ cautions: event.target.value.split('\n') })}
              onBlur={() => set({ cautions: draft.cautions.filter((line) => line.trim() !== '') })}
            />
          )}
        </Field>
        <Checkbox checked={draft.needsDyestuff} onChange={(event) => set({ needsDyestuff: event.target.checked })}>
          Asks for a dyestuff
        </Checkbox>
      </Panel>
      <Panel title="Figures">
        <ParamRows params={draft.params} onChange={(params) => set({ params })} />
      </Panel>
      {draft.steps.map((step, i) => (
        <Panel key={step.key} title={step.title}>
          <div className="fields">
            <Field label="Title">
              {(id) => <Input id={id} value={step.title} maxLength={120} onChange={(event) => setStep(i, { title: event.target.value })} />}
            </Field>
            <Field label="Cover">
              {(id) => (
                <Select
                  id={id}
                  value={step.lid}
                  options={LIDS.map((value) => ({ value, label: LID_WORD[value] }))}
                  onChange={(lid) => setStep(i, { lid })}
                  style={{ width: '100%' }}
                />
              )}
            </Field>
            <Field label="Look for">
              {(id) => <Input id={id} value={step.lookFor ?? ''} maxLength={400} onChange={(event) => setStep(i, { lookFor: event.target.value || null })} />}
            </Field>
            <RefField label="pH aim, from" optional value={step.phAim?.low ?? null} params={draft.params} onChange={(low) => setAim(i, step, { low })} />
            <RefField label="pH aim, up to" optional value={step.phAim?.high ?? null} params={draft.params} onChange={(high) => setAim(i, step, { high })} />
          </div>
          <h3>Quantities</h3>
          <AdditionRows additions={step.additions} params={draft.params} book={book} onChange={(additions) => setStep(i, { additions })} />
          <h3>How it goes</h3>
          <PhaseRows phases={step.phases} params={draft.params} onChange={(phases) => setStep(i, { phases })} />
        </Panel>
      ))}
    </Page>
  );
}

function ParamRows({ params, onChange }: { params: readonly Param[]; onChange: (params: readonly Param[]) => void }) {
  return (
    <>
      {params.map((param, i) => {
        const set = (change: Partial<Param>) => onChange(params.with(i, { ...param, ...change }));
        return (
          <div key={param.key} className="fields">
            <Field label="Figure">{(id) => <Input id={id} value={param.label} onChange={(event) => set({ label: event.target.value })} />}</Field>
            <Field label={`Usual ${param.label}`}>
              {(id) => (
                <InputNumber
                  id={id}
                  value={param.usual}
                  placeholder="none"
                  suffix={param.unit}
                  onChange={(usual) => set({ usual })}
                  style={{ width: '100%' }}
                />
              )}
            </Field>
            <RangeField param={param} onChange={set} />
            <Field label={`How sure ${param.label}`}>
              {(id) => (
                <Select
                  id={id}
                  value={param.standing}
                  options={[
                    { value: 'practice', label: 'common practice' },
                    { value: 'uncertain', label: 'uncertain' },
                    { value: 'estimate', label: 'our estimate' },
                  ]}
                  onChange={(standing) => set({ standing })}
                  style={{ width: '100%' }}
                />
              )}
            </Field>
            <div className="field">
              <Button aria-label={`Remove ${param.label}`} onClick={() => onChange(params.toSpliced(i, 1))}>
                Remove
              </Button>
            </div>
          </div>
        );
      })}
      <Button
        style={{ alignSelf: 'flex-start' }}
        onClick={() => {
          const key = `figure${1 + Math.max(0, ...params.map((param) => Number(/^figure(\d+)$/.exec(param.key)?.[1] ?? 0)))}`;
          onChange([...params, { key, label: 'new figure', unit: 'min', usual: null, min: 0, max: 1000, standing: 'estimate' }]);
        }}
      >
        Add a figure
      </Button>
    </>
  );
}

/** The range of a figure, typed as people say it: "60-90", "6–8 h". */
function RangeField({ param, onChange }: { param: Param; onChange: (range: Pick<Param, 'min' | 'max'>) => void }) {
  const [text, setText] = useState<string | null>(null);
  const read = rangeReader(param.unit);
  const done = () => {
    const got = text === null ? null : read(text);
    if (!got?.ok || got.value === null) return;
    onChange({ min: got.value[0], max: got.value[1] });
    setText(null);
  };
  return (
    <Field label={`From, to ${param.label}`}>
      {(id) => (
        <TypedInput
          id={id}
          value={text ?? `${printFigure(param.min, param.unit)} to ${printFigure(param.max, param.unit)}`}
          read={read}
          onChange={setText}
          onDone={done}
        />
      )}
    </Field>
  );
}
