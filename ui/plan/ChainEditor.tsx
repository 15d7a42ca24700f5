'use client';
import { DatePicker, Input, InputNumber, Select } from 'antd';
import { useState } from 'react';
import { parseQuantity, refusalText } from '@/core/measure/parseQuantity';
import { convert } from '@/core/measure/units';
import { METHODS, methodById } from '@/core/method/library';
import type { Method, Param } from '@/core/method/method';
import type { ChainItem, Draft, Plan, PlannedAmount, PlanProblem, PlanStep, Vessel } from '@/core/plan/plan';
import { DYESTUFFS } from '@/core/shelf/substances';
import { dayjsIn, msFromPicker } from '../shell/zonedPicker';
import { StitchPatch } from '../theme/stitches';
import { changedItem, itemOfProblem, movedItem, withEntry, withItem, withoutItem } from './draft';
import { Problems } from './PlanEditor';
import { amountText, workingLines } from './workingText';

interface Props {
  readonly draft: Draft;
  readonly onDraft: (draft: Draft) => void;
  readonly plan: Plan | null;
  readonly problems: readonly PlanProblem[];
  readonly vessels: readonly Vessel[];
  readonly zone: string;
}

/** The chain of methods in working order; each opens to its figures, its vessel and its quantities. */
export function ChainEditor(props: Props) {
  const { draft, onDraft, problems } = props;
  const used = new Set(draft.chain.map((item) => item.methodId));
  return (
    <fieldset className="chain">
      <legend>Steps, in working order</legend>
      <ol>
        {draft.chain.map((item, i) => (
          <li key={item.id} id={`item-${item.id}`}>
            <Item {...props} item={item} place={i} problems={problems.filter((problem) => itemOfProblem(problem.at, draft) === item.id)} />
          </li>
        ))}
      </ol>
      <label className="field">
        <span>Add a step</span>
        <Select
          value={null}
          placeholder="Choose a method"
          showSearch={{ optionFilterProp: 'label' }}
          aria-label="Add a step"
          options={METHODS.map((method) => ({ value: method.id, label: `${method.name} (${method.school})${used.has(method.id) ? ' · again' : ''}` }))}
          onChange={(methodId: string | null) => methodId && onDraft(withItem(draft, methodId))}
        />
      </label>
    </fieldset>
  );
}

function Item({ item, place, draft, onDraft, plan, problems, vessels, zone }: Props & { readonly item: ChainItem; readonly place: number }) {
  const method = methodById(item.methodId);
  if (!method) return <Problems problems={[{ at: '', message: 'This method is not in the library.' }]} />;
  const steps = plan?.steps.filter((step) => step.id.startsWith(`${item.id}-`)) ?? [];
  const change = (part: Partial<ChainItem>) => onDraft(changedItem(draft, item.id, part));
  const schools = METHODS.filter((other) => other.stage === method.stage);
  return (
    <details className="chain-item" open={problems.length > 0 || undefined}>
      <summary>
        <StitchPatch kind={method.stage} width={14} height={24} />
        <span className="chain-name">{method.name}</span>
        <span className="quiet">
          {steps
            .flatMap((step) => step.additions)
            .map(amountText)
            .join(', ')}
        </span>
      </summary>
      <Problems problems={problems} />
      {schools.length > 1 ? (
        <label className="field">
          <span>School</span>
          <Select
            value={method.id}
            options={schools.map((school) => ({ value: school.id, label: `${school.name}: ${school.school}` }))}
            onChange={(methodId: string) =>
              change({ methodId, params: {}, dyestuffId: methodById(methodId)?.needsDyestuff ? (item.dyestuffId ?? 'weld') : null })
            }
          />
        </label>
      ) : null}
      <p className="quiet small">{method.why}</p>
      {method.needsDyestuff ? (
        <label className="field">
          <span>Dyestuff</span>
          <Select
            value={item.dyestuffId}
            options={Object.values(DYESTUFFS).map((stuff) => ({ value: stuff.id, label: `${stuff.name} (${stuff.part})` }))}
            onChange={(dyestuffId: string) => change({ dyestuffId })}
          />
        </label>
      ) : null}
      <div className="params">
        {method.params.map((param) => (
          <ParamField
            key={param.key}
            param={param}
            method={method}
            value={item.params[param.key]}
            onChange={(value) => change({ params: { ...item.params, [param.key]: value } })}
          />
        ))}
      </div>
      {steps.map((step) => (
        <StepFields key={step.id} step={step} draft={draft} onDraft={onDraft} vessels={vessels} zone={zone} />
      ))}
      <div className="chain-acts">
        <button type="button" className="act act-small" disabled={place === 0} onClick={() => onDraft(movedItem(draft, item.id, -1))}>
          Earlier
        </button>
        <button type="button" className="act act-small" disabled={place === draft.chain.length - 1} onClick={() => onDraft(movedItem(draft, item.id, 1))}>
          Later
        </button>
        <button type="button" className="act act-small" onClick={() => onDraft(withoutItem(draft, item.id))}>
          Leave out
        </button>
      </div>
    </details>
  );
}

const STANDING = { practice: '', uncertain: ' (uncertain)', estimate: ' (our estimate)' } as const;

function ParamField({
  param,
  method,
  value,
  onChange,
}: {
  param: Param;
  method: Method;
  value: number | null | undefined;
  onChange: (value: number | null) => void;
}) {
  const shown = value === undefined ? param.usual : value;
  const out = shown !== null && (shown < param.min || shown > param.max);
  return (
    <label className="field" title={`${method.name}: usually ${param.usual ?? 'no figure in common use'} ${param.unit}${STANDING[param.standing]}`}>
      <span>
        {param.label}
        <span className="quiet">{STANDING[param.standing]}</span>
      </span>
      <InputNumber value={shown} placeholder="unknown" suffix={param.unit} status={out ? 'error' : ''} onChange={onChange} style={{ width: '100%' }} />
      {out ? (
        <span className="field-error" role="alert">
          Between {param.min} and {param.max} {param.unit}.
        </span>
      ) : null}
    </label>
  );
}

function StepFields({ step, draft, onDraft, vessels, zone }: Pick<Props, 'draft' | 'onDraft' | 'vessels' | 'zone'> & { readonly step: PlanStep }) {
  const amounts = [...step.additions, ...(step.water ? [step.water] : [])];
  const pin = draft.pins[step.id];
  return (
    <>
      {amounts.map((amount) => (
        <div key={amount.id} className="amount-edit">
          <details className="amount">
            <summary>
              <span>{amount.name}</span>
              <span className="figure">{amountText(amount)}</span>
            </summary>
            <ul>
              {workingLines(amount).map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ul>
          </details>
          <OverruleField amount={amount} onSet={(value) => onDraft(withEntry(draft, 'overrules', `${step.id}/${amount.id}`, value))} />
        </div>
      ))}
      <div className="params">
        <label className="field">
          <span>Vessel</span>
          <Select
            value={step.vesselId}
            options={vessels.map((vessel) => ({ value: vessel.id, label: `${vessel.name}${vessel.litres ? ` ${vessel.litres} L` : ''}` }))}
            onChange={(vesselId: string) => onDraft(withEntry(draft, 'vessels', step.id, vesselId))}
          />
        </label>
        <label className="field" htmlFor={`pin-${step.id}`}>
          <span>Pin its start</span>
          <DatePicker
            id={`pin-${step.id}`}
            showTime={{ format: 'HH:mm', minuteStep: 5 }}
            format="ddd D MMM HH:mm"
            value={pin === undefined ? null : dayjsIn(pin, zone)}
            placeholder="not pinned"
            needConfirm={false}
            onChange={(value) => onDraft(withEntry(draft, 'pins', step.id, value ? msFromPicker(value, zone) : null))}
            style={{ width: '100%' }}
          />
        </label>
      </div>
      {step.fit ? <p className="quiet small">Full to {Math.round(step.fit.fillPct)} % of the brim.</p> : null}
      {step.findings.some((finding) => finding.severity === 'stopUnlessReason') || draft.reasons[step.id] ? (
        <label className="field">
          <span>Reason for going past the stop</span>
          <Input
            maxLength={400}
            value={draft.reasons[step.id] ?? ''}
            onChange={(event) => onDraft(withEntry(draft, 'reasons', step.id, event.target.value || null))}
          />
        </label>
      ) : null}
    </>
  );
}

/** Typed as people write: "54 g", "1 1/2 tsp (US)". What cannot be read is said under the field and changes nothing. */
function OverruleField({ amount, onSet }: { amount: PlannedAmount; onSet: (value: number | null) => void }) {
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const set = () => {
    if (text.trim() === '') return setProblem(null);
    const parsed = parseQuantity(text, amount.unit === 'g' ? 'mass' : 'volume', null, amount.unit);
    if (!parsed.ok) return setProblem(refusalText(parsed.error));
    setProblem(null);
    setText('');
    onSet(convert(parsed.value.value, parsed.value.unit, amount.unit));
  };
  return (
    <div className="overrule">
      <Input
        size="small"
        value={text}
        status={problem ? 'error' : ''}
        aria-label={`Set ${amount.name} instead`}
        placeholder={`set instead, in ${amount.unit}`}
        onChange={(event) => setText(event.target.value)}
        onBlur={set}
        onPressEnter={set}
      />
      {amount.overruled === null ? null : (
        <button type="button" className="act act-small" onClick={() => onSet(null)}>
          Back to worked out
        </button>
      )}
      {problem ? (
        <span className="field-error" role="alert">
          {problem}
        </span>
      ) : null}
    </div>
  );
}
