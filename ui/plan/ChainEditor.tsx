'use client';
import { Select } from 'antd';
import { useState } from 'react';
import type { LotView } from '@/contract/views';
import type { PercentMeans } from '@/core/measure/percent';
import type { Method } from '@/core/method/method';
import { usualFor } from '@/core/plan/amounts';
import type { ChainItem, Draft, Plan, PlanProblem, Vessel } from '@/core/plan/plan';
import { CHEMISTRY_WORD, MORDANT_WORD } from '@/core/shelf/dyestuff';
import type { Book } from '../api/useBook';
import { KIND_WORD, StitchPatch } from '../theme/stitches';
import { changedItem, itemOfProblem, movedItem, withItem, withoutItem } from './draft';
import { ItemLots } from './ItemLots';
import { ParamField } from './ParamField';
import { Problems } from './PlanEditor';
import { StepFields } from './StepFields';
import { amountText } from './workingText';

interface Props {
  readonly draft: Draft;
  readonly onDraft: (draft: Draft) => void;
  readonly plan: Plan | null;
  readonly problems: readonly PlanProblem[];
  readonly lots: readonly LotView[];
  readonly vessels: readonly Vessel[];
  readonly book: Book;
  readonly zone: string;
}

/** Methods by stage in working order, for a list to choose from. */
function methodOptions(methods: readonly Method[]) {
  const byStage = new Map<string, Method[]>();
  for (const method of methods) byStage.set(method.stage, [...(byStage.get(method.stage) ?? []), method]);
  return [...byStage.values()].map((group) => ({
    label: KIND_WORD[group[0]?.stage ?? 'dye'],
    title: group[0]?.stage ?? '',
    options: group.map((method) => ({ value: method.id, label: `${method.name} (${method.school})` })),
  }));
}

/** The chain of methods in working order; each opens to its figures, its vessel and its quantities. */
export function ChainEditor(props: Props) {
  const { draft, onDraft, problems, book } = props;
  const [percentMeans, setPercentMeans] = useState<PercentMeans | null>(null);
  return (
    <fieldset className="chain">
      <legend>Steps, in working order</legend>
      <ol>
        {draft.chain.map((item, i) => (
          <li key={item.id} id={`item-${item.id}`}>
            <Item
              {...props}
              item={item}
              place={i}
              problems={problems.filter((problem) => itemOfProblem(problem.at, draft) === item.id)}
              percentMeans={percentMeans}
              onPercentMeans={setPercentMeans}
            />
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
          options={methodOptions(book.methods)}
          onChange={(methodId: string | null) => {
            const method = methodId ? book.find(methodId) : undefined;
            if (method) onDraft(withItem(draft, method, book.find));
          }}
        />
      </label>
    </fieldset>
  );
}

interface ItemProps extends Props {
  readonly item: ChainItem;
  readonly place: number;
  readonly percentMeans: PercentMeans | null;
  readonly onPercentMeans: (means: PercentMeans | null) => void;
}

function Item(props: ItemProps) {
  const { item, place, draft, onDraft, plan, problems, vessels, zone, book, lots, percentMeans, onPercentMeans } = props;
  const method =
    plan?.methods.find((one) => one.id === item.methodId && (!item.methodVersion || one.version === item.methodVersion)) ?? book.find(item.methodId);
  if (!method) return <Problems problems={[{ at: '', message: 'This method is not in the library.' }]} />;
  const steps = plan?.steps.filter((step) => step.id.startsWith(`${item.id}-`)) ?? [];
  const change = (part: Partial<ChainItem>) => onDraft(changedItem(draft, item.id, part));
  const stuff = item.dyestuffId ? book.shelf.dyestuff(item.dyestuffId) : undefined;
  const usual = usualFor(method, stuff);
  return (
    <details className="chain-item" open={problems.length > 0 || undefined}>
      <summary>
        <StitchPatch kind={method.stage} width={14} height={24} />
        <span className="chain-name">{method.name}</span>
        <span className="quiet">
          {steps
            .flatMap((step) => step.additions)
            .map((amount) => `${amount.name} ${amountText(amount)}`)
            .join(', ')}
        </span>
      </summary>
      <Problems problems={problems} />
      <School {...props} method={method} />
      {method.needsDyestuff ? (
        <label className="field">
          <span>Dyestuff</span>
          <Select
            value={item.dyestuffId}
            showSearch={{ optionFilterProp: 'label' }}
            options={book.dyestuffs.map((one) => ({ value: one.id, label: one.part ? `${one.name} (${one.part})` : one.name }))}
            onChange={(dyestuffId: string) => change({ dyestuffId, params: {} })}
          />
          {stuff ? (
            <span className="quiet small">
              {MORDANT_WORD[stuff.mordant]}; {CHEMISTRY_WORD[stuff.chemistry]}; heat: {stuff.heat.text}.
              {stuff.extractBy !== method.id && method.stage === 'extract' ? ` Usually: ${book.find(stuff.extractBy)?.name ?? ''}.` : ''}
            </span>
          ) : null}
        </label>
      ) : null}
      {method.steps.some((step) => step.liquor === 'brings') ? (
        <label className="field">
          <span>Which liquor</span>
          <Select
            value={item.liquorId ?? null}
            placeholder="Choose a kept liquor"
            options={book.liquors.map((liquor) => ({ value: liquor.id, label: liquor.name }))}
            onChange={(liquorId: string) => change({ liquorId })}
          />
        </label>
      ) : null}
      <div className="params">
        {method.params.map((param) => (
          <ParamField
            key={`${method.id}/${param.key}/${item.dyestuffId}`}
            param={param}
            usual={usual[param.key] ?? null}
            value={item.params[param.key]}
            onChange={(value) => change({ params: { ...item.params, [param.key]: value } })}
          />
        ))}
      </div>
      {lots.length > 0 ? <ItemLots item={item} lots={lots} onChange={change} /> : null}
      {plan
        ? steps.map((step) => (
            <StepFields
              key={step.id}
              step={step}
              plan={plan}
              draft={draft}
              onDraft={onDraft}
              vessels={vessels}
              assistants={book.assistants}
              shelfLabels={book.labels}
              zone={zone}
              percentMeans={percentMeans}
              onPercentMeans={onPercentMeans}
            />
          ))
        : null}
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

/** The schools of this stage side by side, and the reason of the chosen one. */
function School({ item, draft, onDraft, book, method }: ItemProps & { readonly method: Method }) {
  const schools = book.methods.filter((other) => other.stage === method.stage);
  const choose = (methodId: string) => {
    const next = book.find(methodId);
    onDraft(changedItem(draft, item.id, { methodId, methodVersion: null, params: {}, dyestuffId: next?.needsDyestuff ? (item.dyestuffId ?? 'weld') : null }));
  };
  return (
    <>
      {schools.length > 1 ? (
        <label className="field">
          <span>School</span>
          <Select value={method.id} options={schools.map((school) => ({ value: school.id, label: `${school.name}: ${school.school}` }))} onChange={choose} />
        </label>
      ) : null}
      <p className="quiet small">{method.why}</p>
    </>
  );
}
