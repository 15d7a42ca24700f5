'use client';
import { Checkbox, Input, InputNumber, Select } from 'antd';
import { useState } from 'react';
import { methodFaults } from '@/core/method/copy';
import { LID_WORD, LIDS, type Method, type Param, STAGES, type StepTemplate } from '@/core/method/method';
import { post } from '../api/http';
import type { Book } from '../api/useBook';
import { useSave } from '../api/useSave';
import { Field, FormProblem } from '../shell/Field';
import { KIND_WORD } from '../theme/stitches';
import { AdditionRows } from './AdditionRows';
import { PhaseRows } from './PhaseRows';

interface Props {
  readonly method: Method;
  readonly book: Book;
  readonly onClose: () => void;
  readonly onSaved: () => void;
}

/** Changes one's own method: texts, figures, quantities, phases. Keeping it makes a new version. */
export function MethodEditor({ method: current, book, onClose, onSaved }: Props) {
  // The version as it was opened: one kept meanwhile on another device is pointed out by the server, not overwritten.
  const [method] = useState(current);
  const [draft, setDraft] = useState(method);
  const { errors, saving, save } = useSave(['name', 'school', 'why']);
  const set = (change: Partial<Method>) => setDraft({ ...draft, ...change });
  const setStep = (i: number, change: Partial<StepTemplate>) => set({ steps: draft.steps.with(i, { ...(draft.steps[i] as StepTemplate), ...change }) });
  const faults = methodFaults(draft, book.shelf);
  const keep = () => {
    const { id: _id, version: _version, ...body } = draft;
    void save(() => post(`/methods/${method.id}/versions`, { ...body, expectedVersion: method.version }), onSaved);
  };
  return (
    <div className="page">
      <header className="page-head">
        <h1>
          Change {method.name} <span className="quiet">version {method.version}</span>
        </h1>
        <button type="button" className="act" onClick={onClose}>
          Not now
        </button>
        <button type="button" className="act act-strong" disabled={saving || faults.length > 0 || draft === method} onClick={keep}>
          Keep as version {method.version + 1}
        </button>
      </header>
      {faults.length > 0 ? (
        <div className="problems" role="alert">
          <ul>
            {faults.map((fault) => (
              <li key={`${fault.at}${fault.message}`}>{fault.message}</li>
            ))}
          </ul>
        </div>
      ) : null}
      <FormProblem text={errors['']} />
      <section className="panel">
        <div className="params">
          <Field label="Name" problem={errors.name}>
            <Input value={draft.name} maxLength={120} onChange={(event) => set({ name: event.target.value })} />
          </Field>
          <Field label="Stage">
            <Select value={draft.stage} options={STAGES.map((value) => ({ value, label: KIND_WORD[value] }))} onChange={(stage) => set({ stage })} />
          </Field>
          <Field label="School, in a few words" problem={errors.school}>
            <Input value={draft.school} maxLength={160} onChange={(event) => set({ school: event.target.value })} />
          </Field>
        </div>
        <Field label="Why this way" problem={errors.why}>
          <Input.TextArea value={draft.why} autoSize={{ minRows: 2 }} onChange={(event) => set({ why: event.target.value })} />
        </Field>
        <Field label="To beware of, a line each">
          <Input.TextArea
            value={draft.cautions.join('\n')}
            autoSize={{ minRows: 1 }}
            onChange={(event) => set({ cautions: event.target.value.split('\n').filter((line) => line !== '') })}
          />
        </Field>
        <Checkbox checked={draft.needsDyestuff} onChange={(event) => set({ needsDyestuff: event.target.checked })}>
          Asks for a dyestuff
        </Checkbox>
      </section>
      <section className="panel">
        <h2>Figures</h2>
        <ParamRows params={draft.params} onChange={(params) => set({ params })} />
      </section>
      {draft.steps.map((step, i) => (
        <section key={step.key} className="panel">
          <h2>{step.title}</h2>
          <div className="params">
            <Field label="Title">
              <Input value={step.title} maxLength={120} onChange={(event) => setStep(i, { title: event.target.value })} />
            </Field>
            <Field label="Cover">
              <Select value={step.lid} options={LIDS.map((value) => ({ value, label: LID_WORD[value] }))} onChange={(lid) => setStep(i, { lid })} />
            </Field>
          </div>
          <Field label="Look for">
            <Input value={step.lookFor ?? ''} maxLength={400} onChange={(event) => setStep(i, { lookFor: event.target.value || null })} />
          </Field>
          <h3>Quantities</h3>
          <AdditionRows additions={step.additions} params={draft.params} book={book} onChange={(additions) => setStep(i, { additions })} />
          <h3>How it goes</h3>
          <PhaseRows phases={step.phases} params={draft.params} onChange={(phases) => setStep(i, { phases })} />
        </section>
      ))}
    </div>
  );
}

function ParamRows({ params, onChange }: { params: readonly Param[]; onChange: (params: readonly Param[]) => void }) {
  return (
    <>
      {params.map((param, i) => {
        const set = (change: Partial<Param>) => onChange(params.with(i, { ...param, ...change }));
        return (
          <div key={param.key} className="share param-row">
            <Input aria-label="Figure" value={param.label} onChange={(event) => set({ label: event.target.value })} />
            <InputNumber aria-label={`Usual ${param.label}`} value={param.usual} placeholder="none" suffix={param.unit} onChange={(usual) => set({ usual })} />
            <InputNumber aria-label={`Least ${param.label}`} value={param.min} prefix="from" onChange={(min) => set({ min: min ?? 0 })} />
            <InputNumber aria-label={`Most ${param.label}`} value={param.max} prefix="to" onChange={(max) => set({ max: max ?? param.max })} />
            <Select
              aria-label={`How sure ${param.label}`}
              value={param.standing}
              options={[
                { value: 'practice', label: 'common practice' },
                { value: 'uncertain', label: 'uncertain' },
                { value: 'estimate', label: 'our estimate' },
              ]}
              onChange={(standing) => set({ standing })}
            />
            <button type="button" className="act act-small" onClick={() => onChange(params.toSpliced(i, 1))}>
              Remove
            </button>
          </div>
        );
      })}
      <button
        type="button"
        className="act act-small"
        onClick={() => {
          const key = `figure${1 + Math.max(0, ...params.map((param) => Number(/^figure(\d+)$/.exec(param.key)?.[1] ?? 0)))}`;
          onChange([...params, { key, label: 'new figure', unit: 'min', usual: null, min: 0, max: 1000, standing: 'estimate' }]);
        }}
      >
        Add a figure
      </button>
    </>
  );
}
