'use client';
import { Input, Modal, Select } from 'antd';
import { useState } from 'react';
import { parseAmount } from '@/core/dose/parseAmount';
import { type Figure, knownValue } from '@/core/figure';
import { readNumber } from '@/core/measure/parseNumber';
import { parseIn, parseTemperatureC, refusalText } from '@/core/measure/parseQuantity';
import type { Plan, PlanStep, Vessel } from '@/core/plan/plan';
import type { WeighTick } from '@/core/plan/weighOut';
import { err, ok, type Result } from '@/core/result';
import { additionFindings, substanceByName } from '@/core/run/additionFindings';
import { amountNow } from '@/core/run/amountNow';
import type { RunFact } from '@/core/run/events';
import type { RunState } from '@/core/run/fold';
import { shelfOf } from '@/core/shelf/library';
import type { Shelf } from '@/core/shelf/lookup';
import { Findings } from '../shell/Findings';
import type { AskFor } from './stoveView';

export interface Asked {
  readonly ask: AskFor;
  readonly step: PlanStep;
  readonly additionId?: string;
}

interface Props {
  readonly asked: Asked;
  readonly plan: Plan;
  readonly state: RunState;
  /** What was weighed out before, by "step/addition". */
  readonly weighed: ReadonlyMap<string, WeighTick>;
  readonly vessels: readonly Vessel[];
  readonly onLog: (fact: RunFact, agoMin: number) => void;
  readonly onClose: () => void;
}

const TITLES: Record<AskFor, string> = {
  reading: 'Temperature',
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
const AGO = [0, 2, 5, 10, 30] as const;

/** A small form for an act that needs a word or a number. What cannot be read is said under the field; nothing is lost. */
export function AskDialog({ asked, plan, state, weighed, vessels, onLog, onClose }: Props) {
  const { ask, step } = asked;
  const addition = step.additions.find((a) => a.id === asked.additionId) ?? (ask === 'addition' ? step.additions[0] : undefined);
  // What stands ready on the table is what goes in.
  const ready = addition ? weighed.get(`${step.id}/${addition.id}`)?.amount : null;
  const planned = (ready ? knownValue(ready) : null) ?? (addition ? amountNow(addition, step, plan, state) : null);
  const [text, setText] = useState(
    ask === 'addition' && planned !== null ? `${Math.round(planned * 100) / 100} ${addition?.unit === 'piece' ? '' : (addition?.unit ?? 'g')}`.trim() : '',
  );
  const [choice, setChoice] = useState(
    ask === 'move' ? '' : ask === 'weigh' ? ((plan.lots.find((lot) => lot.dryWeightG.state === 'unknown') ?? plan.lots[0])?.id ?? '') : 'measured',
  );
  const [what, setWhat] = useState<string>(asked.additionId ?? addition?.id ?? 'other');
  const [other, setOther] = useState('');
  const [ago, setAgo] = useState(0);
  const [problem, setProblem] = useState<string | null>(null);
  const shelf = shelfOf(plan.own);
  const filled = { ask, step, text, choice, what, other, shelf };
  const own = state.steps[step.id];
  const pouring = ask === 'addition' ? readFact(filled) : null;
  const warnings = pouring?.ok && pouring.value.type === 'addition' && own ? additionFindings(plan, step, own, pouring.value) : [];
  const submit = () => {
    const fact = readFact(filled);
    if (!fact.ok) return setProblem(fact.error);
    onLog(fact.value, ago);
    onClose();
  };
  return (
    <Modal open title={`${TITLES[ask]} · ${step.title}`} onOk={submit} onCancel={onClose} okText="Log it" cancelText="Not now" destroyOnHidden>
      <form
        className="ask"
        onSubmit={(event) => {
          event.preventDefault();
          submit();
        }}
      >
        {ask === 'addition' ? (
          <label className="field">
            <span>What went in</span>
            <Select
              value={what}
              onChange={setWhat}
              options={[...step.additions.map((a) => ({ value: a.id, label: a.name })), { value: 'other', label: 'something else' }]}
            />
          </label>
        ) : null}
        {ask === 'addition' && what === 'other' ? (
          <label className="field">
            <span>Its name</span>
            <Input value={other} maxLength={120} onChange={(event) => setOther(event.target.value)} />
          </label>
        ) : null}
        {ask === 'move' ? (
          <label className="field">
            <span>Vessel</span>
            <Select
              value={choice || null}
              placeholder="Choose"
              onChange={setChoice}
              options={vessels.filter((v) => v.id !== step.vesselId).map((v) => ({ value: v.id, label: v.name }))}
            />
          </label>
        ) : ask === 'addition' && choice === 'unknown' ? null : (
          <label className="field">
            <span>{LABELS[ask]}</span>
            <Input
              autoFocus
              value={text}
              maxLength={4000}
              inputMode={ask === 'reading' || ask === 'ph' ? 'decimal' : 'text'}
              onChange={(event) => setText(event.target.value)}
            />
          </label>
        )}
        {ask === 'addition' ? (
          <label className="field">
            <span>How sure</span>
            <Select
              value={choice}
              onChange={setChoice}
              options={[
                { value: 'measured', label: 'measured' },
                { value: 'estimated', label: 'estimated' },
                { value: 'unknown', label: 'nobody knows' },
              ]}
            />
          </label>
        ) : null}
        {ask === 'weigh' ? (
          <label className="field">
            <span>Lot</span>
            <Select value={choice} onChange={setChoice} options={plan.lots.map((lot) => ({ value: lot.id, label: lot.name }))} />
          </label>
        ) : null}
        <fieldset className="ago">
          <legend>When</legend>
          {AGO.map((min) => (
            <label key={min} className={ago === min ? 'ago-on' : undefined}>
              <input type="radio" name="ago" checked={ago === min} onChange={() => setAgo(min)} />
              {min === 0 ? 'now' : `${min} min ago`}
            </label>
          ))}
        </fieldset>
        {warnings.length > 0 ? (
          <div aria-live="polite">
            <p className="small">Before you pour it in. If it is in already, log it all the same.</p>
            <Findings findings={warnings} />
          </div>
        ) : null}
        {problem ? (
          <p className="field-error" role="alert">
            {problem}
          </p>
        ) : null}
        <button type="submit" hidden>
          Log it
        </button>
      </form>
    </Modal>
  );
}

const LABELS: Record<AskFor, string> = {
  reading: 'What does it read? 82, or 180 F',
  ph: 'pH',
  volume: 'How much is in it? 5 L, or 2 gal (US)',
  addition: 'How much? 54 g, or 1 1/2 tsp (US)',
  checked: 'In a few words',
  note: 'Note',
  move: 'Vessel',
  skip: 'Why?',
  pause: 'Why?',
  weigh: 'Dry weight: 152 g, or 5 oz',
};

interface Filled {
  readonly ask: AskFor;
  readonly step: PlanStep;
  readonly text: string;
  readonly choice: string;
  readonly what: string;
  readonly other: string;
  readonly shelf: Shelf;
}

/** The fact a filled form states, or what to mend. */
function readFact({ ask, step, text, choice, what, other, shelf }: Filled): Result<RunFact, string> {
  const { id: stepId } = step;
  switch (ask) {
    case 'reading': {
      const parsed = parseTemperatureC(text);
      if (!parsed.ok) return err(parsed.error.why === 'unknownUnit' ? 'Write °C or F after the number.' : refusalText(parsed.error));
      if (parsed.value < -10 || parsed.value > 150) return err('No bath reads that. Between −10 and 150 °C.');
      return ok({ type: 'reading', stepId, quantity: 'bathC', value: Math.round(parsed.value * 10) / 10 });
    }
    case 'ph': {
      const number = readNumber(text);
      if (number?.rest.trim() !== '' || number.value < 0 || number.value > 14) return err('A pH is a number between 0 and 14.');
      return ok({ type: 'reading', stepId, quantity: 'ph', value: number.value });
    }
    case 'volume': {
      const parsed = parseIn(text, 'volume', 'L');
      return parsed.ok ? ok({ type: 'reading', stepId, quantity: 'volumeMl', value: parsed.value * 1000 }) : err(refusalText(parsed.error));
    }
    case 'weigh': {
      const parsed = parseIn(text, 'mass', 'g');
      if (!parsed.ok) return err(refusalText(parsed.error));
      return ok({ type: 'lotWeighed', lotId: choice, dryWeightG: parsed.value });
    }
    case 'addition': {
      const addition = step.additions.find((a) => a.id === what);
      if (!addition && other.trim() === '') return err('Name what went in.');
      const unit = addition?.unit ?? (/[ml]\b/i.test(text) && !/g\b/i.test(text) ? 'mL' : 'g');
      const base = {
        type: 'addition' as const,
        stepId,
        additionId: addition?.id ?? null,
        substance: addition?.substance ?? substanceByName(other, shelf),
        unit,
      };
      if (choice === 'unknown') return ok({ ...base, amount: { state: 'unknown' } });
      const parsed = parseAmount(text, unit, shelf.assistant(base.substance)?.bulkGPerMl ?? null);
      if (!parsed.ok) return err(refusalText(parsed.error));
      // A spoon is never a weighing.
      const amount: Figure = { state: choice === 'estimated' || parsed.value.plusMinusPct !== null ? 'estimated' : 'measured', value: parsed.value.value };
      return ok({ ...base, amount });
    }
    case 'checked':
      return ok({ type: 'checked', stepId, finding: text.trim() });
    case 'note':
      return text.trim() ? ok({ type: 'note', stepId, text: text.trim() }) : err('Write something.');
    case 'move':
      return choice ? ok({ type: 'moved', stepId, toVesselId: choice }) : err('Choose a vessel.');
    case 'skip':
      return text.trim() ? ok({ type: 'skipped', stepId, reason: text.trim() }) : err('Say why, for whoever reads the record.');
    case 'pause':
      return ok({ type: 'paused', stepId, reason: text.trim() });
  }
}
