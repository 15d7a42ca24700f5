'use client';
import { Button, Input, Select } from 'antd';
import { knownValue, sumFigures } from '@/core/figure';
import type { Vessel } from '@/core/kitchen/vessel';
import type { EachMeans } from '@/core/measure/each';
import type { PercentMeans } from '@/core/measure/percent';
import { LID_WORD, LIDS } from '@/core/method/method';
import type { Draft } from '@/core/plan/draft';
import { amountOf, type Plan, type PlanStep } from '@/core/plan/plan';
import { FIRST_PLANT } from '@/core/plan/plant';
import type { Assistant } from '@/core/shelf/assistant';
import type { Dyestuff } from '@/core/shelf/dyestuff';
import { FORMS } from '@/core/shelf/forms';
import { Field } from '../form/Field';
import { LabelledWhen } from '../form/WhenField';
import { usePrint } from '../shell/facts';
import { AmountLine } from './AmountLine';
import { withEntry, withExtra, withoutExtra } from './draft';
import { OverruleField } from './OverruleField';

interface Props {
  readonly step: PlanStep;
  readonly plan: Plan;
  readonly draft: Draft;
  readonly onDraft: (draft: Draft) => void;
  readonly vessels: readonly Vessel[];
  readonly assistants: readonly Assistant[];
  readonly dyestuffs: readonly Dyestuff[];
  readonly shelfLabels: Readonly<Record<string, string>>;
  readonly percentMeans: PercentMeans | null;
  readonly onPercentMeans: (means: PercentMeans | null) => void;
  readonly eachMeans: EachMeans | null;
  readonly onEachMeans: (means: EachMeans | null) => void;
}

/** Quantities of one step with their working, and where, when and how covered it is done. */
export function StepFields(props: Props) {
  const { step, draft, onDraft, vessels, assistants, dyestuffs } = props;
  const stuffs = [...assistants, ...dyestuffs].map((one) => ({ value: one.id, label: one.name }));
  const print = usePrint();
  const covered = step.lid !== 'none' || step.phases.some((phase) => phase.kind === 'soak' || phase.kind === 'until');
  return (
    <div className="stack">
      <Amounts {...props} />
      <Select
        aria-label={`Add something to ${step.title}`}
        size="small"
        value={null}
        placeholder="Something else goes in"
        showSearch={{ optionFilterProp: 'label' }}
        options={stuffs}
        onChange={(substance: string | null) => substance && onDraft(withExtra(draft, step.id, substance))}
        style={{ maxWidth: 280 }}
      />
      <div className="fields">
        <Field label="Vessel">
          {(id) => (
            <Select
              id={id}
              value={step.vesselId}
              options={vessels.map((vessel) => ({ value: vessel.id, label: `${vessel.name}${vessel.litres ? ` ${print.volume(vessel.litres * 1000)}` : ''}` }))}
              onChange={(vesselId: string) => onDraft(withEntry(draft, 'vessels', step.id, vesselId))}
              style={{ width: '100%' }}
            />
          )}
        </Field>
        <LabelledWhen
          label="Pin its start"
          value={draft.pins[step.id] ?? null}
          placeholder="not pinned"
          optional
          onChange={(ms) => onDraft(withEntry(draft, 'pins', step.id, ms))}
        />
        {covered ? (
          <Field label="Cover">
            {(id) => (
              <Select
                id={id}
                value={step.lid}
                options={LIDS.map((lid) => ({ value: lid, label: LID_WORD[lid] }))}
                onChange={(lid) => onDraft(withEntry(draft, 'lids', step.id, lid))}
                style={{ width: '100%' }}
              />
            )}
          </Field>
        ) : null}
      </div>
      {step.fit ? (
        <p className="quiet small">
          Full to {Math.round(step.fit.fillPct)} % of the brim{step.fit.overMl > 0 ? `, ${print.volume(step.fit.overMl)} too much` : ''}.
        </p>
      ) : null}
      {step.findings.some((finding) => finding.severity === 'stopUnlessReason') || draft.reasons[step.id] ? (
        <Field label="Reason for going past the stop">
          {(id) => (
            <Input
              id={id}
              maxLength={400}
              value={draft.reasons[step.id] ?? ''}
              onChange={(event) => onDraft(withEntry(draft, 'reasons', step.id, event.target.value || null))}
            />
          )}
        </Field>
      ) : null}
    </div>
  );
}

/** Cups of a step that is measured by the cup; pieces of a dip; 1 where an amount is for all anyway. */
function portionsOf(step: PlanStep, plan: Plan): number {
  if (step.water?.portions !== undefined) return step.water.portions;
  return step.kind === 'dip' ? plan.lots.filter((lot) => step.sizedBy.includes(lot.id)).reduce((sum, lot) => sum + lot.pieces, 0) : 1;
}

function Amounts({ step, plan, draft, onDraft, assistants, dyestuffs, shelfLabels, percentMeans, onPercentMeans, eachMeans, onEachMeans }: Props) {
  const portions = portionsOf(step, plan);
  const amounts = [...step.additions, ...(step.water ? [step.water] : [])];
  const wholeG = knownValue(sumFigures(plan.lots.filter((lot) => step.sizedBy.includes(lot.id)).map((lot) => lot.dryWeightG)));
  const dryG = wholeG === null || step.part?.sharePct === null ? null : (wholeG * (step.part?.sharePct ?? 100)) / 100;
  const bathMl = step.water ? amountOf(step.water) : (step.fit?.filledMl ?? null);
  return amounts.map((amount) => {
    const forms = FORMS[amount.substance];
    const key = `${step.id}/${amount.id}`;
    return (
      <div key={amount.id} className="amount-edit">
        <AmountLine amount={amount} />
        {amount.id.startsWith('extra-') ? (
          <Button size="small" type="link" onClick={() => onDraft(withoutExtra(draft, step.id, amount.id))}>
            Take {amount.name} out
          </Button>
        ) : null}
        {!amount.name.includes('not supported') && forms ? (
          <Field label="On the label">
            {(id) => (
              <Select
                id={id}
                size="small"
                value={draft.labels?.[amount.substance] ?? shelfLabels[amount.substance] ?? null}
                placeholder="which form or strength?"
                allowClear
                aria-label={`${amount.name}: on the label`}
                options={forms.map((form) => ({ value: form.id, label: form.label }))}
                onChange={(label: string | undefined) => onDraft(withEntry(draft, 'labels', amount.substance, label ?? null))}
                style={{ width: '100%' }}
              />
            )}
          </Field>
        ) : null}
        <OverruleField
          amount={amount}
          dryG={dryG}
          bathMl={bathMl}
          bulkGPerMl={assistants.find((one) => one.id === amount.substance)?.bulkGPerMl ?? null}
          percentMeans={percentMeans}
          onPercentMeans={onPercentMeans}
          portions={amount.id === 'water' ? 1 : portions}
          eachMeans={eachMeans}
          onEachMeans={onEachMeans}
          onSet={(value) => {
            const cleared = value === null ? withEntry(draft, 'plantAmounts', key, null) : draft;
            onDraft(withEntry(cleared, 'overrules', key, value));
          }}
          isSaid={draft.plantAmounts?.[key] !== undefined}
          onPlant={
            dyestuffs.some((one) => one.id === amount.substance) || amount.id === FIRST_PLANT
              ? (said) => onDraft(withEntry(withEntry(draft, 'overrules', key, null), 'plantAmounts', key, said))
              : undefined
          }
        />
      </div>
    );
  });
}
