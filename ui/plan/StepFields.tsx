'use client';
import { DatePicker, Input, Select } from 'antd';
import { knownValue, sumFigures } from '@/core/figure';
import type { PercentMeans } from '@/core/measure/percent';
import { LID_WORD, LIDS } from '@/core/method/method';
import { amountOf, type Draft, type Plan, type PlanStep, type Vessel } from '@/core/plan/plan';
import type { Assistant } from '@/core/shelf/assistant';
import { FORMS } from '@/core/shelf/forms';
import { dayjsIn, msFromPicker } from '../shell/zonedPicker';
import { withEntry } from './draft';
import { OverruleField } from './OverruleField';
import { amountText, workingLines } from './workingText';

interface Props {
  readonly step: PlanStep;
  readonly plan: Plan;
  readonly draft: Draft;
  readonly onDraft: (draft: Draft) => void;
  readonly vessels: readonly Vessel[];
  readonly assistants: readonly Assistant[];
  readonly shelfLabels: Readonly<Record<string, string>>;
  readonly zone: string;
  readonly percentMeans: PercentMeans | null;
  readonly onPercentMeans: (means: PercentMeans | null) => void;
}

/** Quantities of one step with their working, and where, when and how covered it is done. */
export function StepFields(props: Props) {
  const { step, draft, onDraft, vessels, zone } = props;
  const pin = draft.pins[step.id];
  const covered = step.lid !== 'none' || step.phases.some((phase) => phase.kind === 'soak' || phase.kind === 'until');
  return (
    <>
      <Amounts {...props} />
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
        {covered ? (
          <label className="field">
            <span>Cover</span>
            <Select
              value={step.lid}
              options={LIDS.map((lid) => ({ value: lid, label: LID_WORD[lid] }))}
              onChange={(lid) => onDraft(withEntry(draft, 'lids', step.id, lid))}
            />
          </label>
        ) : null}
      </div>
      {step.fit ? (
        <p className="quiet small">
          Full to {Math.round(step.fit.fillPct)} % of the brim{step.fit.overMl > 0 ? `, ${(step.fit.overMl / 1000).toFixed(1)} L too much` : ''}.
        </p>
      ) : null}
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

function Amounts({ step, plan, draft, onDraft, assistants, shelfLabels, percentMeans, onPercentMeans }: Props) {
  const amounts = [...step.additions, ...(step.water ? [step.water] : [])];
  const wholeG = knownValue(sumFigures(plan.lots.filter((lot) => step.sizedBy.includes(lot.id)).map((lot) => lot.dryWeightG)));
  const dryG = wholeG === null || step.part?.sharePct === null ? null : (wholeG * (step.part?.sharePct ?? 100)) / 100;
  const bathMl = step.water ? amountOf(step.water) : (step.fit?.filledMl ?? null);
  return amounts.map((amount) => {
    const forms = FORMS[amount.substance];
    return (
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
        {amount.id === 'water' || amount.name.includes('not supported') ? null : forms ? (
          <label className="field field-inline">
            <span>On the label</span>
            <Select
              size="small"
              value={draft.labels?.[amount.substance] ?? shelfLabels[amount.substance] ?? null}
              placeholder="which form or strength?"
              allowClear
              aria-label={`${amount.name}: on the label`}
              options={forms.map((form) => ({ value: form.id, label: form.label }))}
              onChange={(label: string | undefined) => onDraft(withEntry(draft, 'labels', amount.substance, label ?? null))}
            />
          </label>
        ) : null}
        <OverruleField
          amount={amount}
          dryG={dryG}
          bathMl={bathMl}
          bulkGPerMl={assistants.find((one) => one.id === amount.substance)?.bulkGPerMl ?? null}
          percentMeans={percentMeans}
          onPercentMeans={onPercentMeans}
          onSet={(value) => onDraft(withEntry(draft, 'overrules', `${step.id}/${amount.id}`, value))}
        />
      </div>
    );
  });
}
