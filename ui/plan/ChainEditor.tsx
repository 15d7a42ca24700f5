'use client';
import { Button, Collapse, Select } from 'antd';
import { useEffect, useState } from 'react';
import type { EachMeans } from '@/core/measure/each';
import type { PercentMeans } from '@/core/measure/percent';
import { BANDS, type Method, rangedParams } from '@/core/method/method';
import { UNKNOWN_PLANT, usualFor } from '@/core/plan/amounts';
import type { ChainItem, Draft } from '@/core/plan/draft';
import type { Plan, PlanProblem } from '@/core/plan/plan';
import { Field } from '../form/Field';
import { usePrint } from '../shell/facts';
import { Panel } from '../shell/Page';
import { KIND_WORD, StitchPatch } from '../theme/stitches';
import { byMethod, changedItem, itemOfProblem, movedItem, plantsOf, withItem, withoutItem } from './draft';
import { ItemLots } from './ItemLots';
import { ParamField } from './ParamField';
import { Plants } from './Plants';
import { Problems } from './Problems';
import { School } from './School';
import { StepFields } from './StepFields';
import { StrengthLeft } from './StrengthLeft';
import type { PlanningRoom } from './useKitchen';
import { WhichBath } from './WhichBath';
import { amountText } from './workingText';

interface Props {
  readonly room: PlanningRoom;
  readonly draft: Draft;
  readonly onDraft: (draft: Draft) => void;
  readonly plan: Plan | null;
  readonly problems: readonly PlanProblem[];
  /** Items that have begun in a run: they stay as they were planned. */
  readonly locked: ReadonlySet<string>;
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
  const { draft, onDraft, problems, room, plan } = props;
  const { book } = room;
  const print = usePrint();
  const [percentMeans, setPercentMeans] = useState<PercentMeans | null>(null);
  const [eachMeans, setEachMeans] = useState<EachMeans | null>(null);
  const [open, setOpen] = useState<readonly string[]>([]);
  const wrong = [...new Set(problems.map((problem) => itemOfProblem(problem.at, draft)).filter((id) => id !== null))].join(' ');
  // A step with something to mend opens by itself.
  useEffect(() => {
    if (wrong) setOpen((had) => [...new Set([...had, ...wrong.split(' ')])]);
  }, [wrong]);
  const label = (item: ChainItem) => {
    const method = methodOf(item, plan, room);
    const steps = plan?.steps.filter((step) => step.id.startsWith(`${item.id}-`)) ?? [];
    return (
      <span className="line line-tight">
        <StitchPatch kind={method?.stage ?? 'dye'} width={14} height={22} />
        <strong className="chain-name">{method?.name ?? 'A method that is not here'}</strong>
        <span className="quiet small">
          {item.lotIds
            ? `for ${room.lots
                .filter((lot) => item.lotIds?.includes(lot.id))
                .map((lot) => lot.name)
                .join(', ')} `
            : ''}
          {method?.needsDyestuff && item.dyestuffId === null ? 'choose what to dye with ' : ''}
          {steps
            .flatMap((step) => step.additions.filter((amount) => amount.substance !== UNKNOWN_PLANT))
            .map((amount) => `${amount.name} ${amountText(amount, print)}`)
            .join(', ')}
        </span>
      </span>
    );
  };
  return (
    <Panel title="Steps, in working order">
      <Collapse
        ghost
        activeKey={[...open]}
        onChange={(keys) => setOpen(keys)}
        items={draft.chain.map((item, i) => ({
          key: item.id,
          id: `item-${item.id}`,
          label: label(item),
          children: (
            <Item
              {...props}
              item={item}
              place={i}
              problems={problems.filter((problem) => itemOfProblem(problem.at, draft) === item.id)}
              percentMeans={percentMeans}
              onPercentMeans={setPercentMeans}
              eachMeans={eachMeans}
              onEachMeans={setEachMeans}
            />
          ),
        }))}
      />
      <Field label="Add a step">
        {(id) => (
          <Select
            id={id}
            value={null}
            placeholder="Choose a method"
            showSearch={{ optionFilterProp: 'label' }}
            options={methodOptions(book.methods)}
            onChange={(methodId: string | null) => {
              const method = methodId ? book.find(methodId) : undefined;
              if (method) onDraft(withItem(draft, method, book.find));
            }}
            style={{ width: '100%' }}
          />
        )}
      </Field>
    </Panel>
  );
}

/** The version that the plan was made with, or the one on offer. */
const methodOf = (item: ChainItem, plan: Plan | null, { book }: PlanningRoom): Method | undefined =>
  plan?.methods.find((one) => one.id === item.methodId && (!item.methodVersion || one.version === item.methodVersion)) ?? book.find(item.methodId);

interface ItemProps extends Props {
  readonly item: ChainItem;
  readonly place: number;
  readonly percentMeans: PercentMeans | null;
  readonly onPercentMeans: (means: PercentMeans | null) => void;
  readonly eachMeans: EachMeans | null;
  readonly onEachMeans: (means: EachMeans | null) => void;
}

function Item(props: ItemProps) {
  if (props.locked.has(props.item.id)) return <p className="quiet">It has begun and stays as it was planned. What really happens is logged at the stove.</p>;
  return <OpenItem {...props} />;
}

function OpenItem(props: ItemProps) {
  const { item, place, draft, onDraft, plan, problems, room, percentMeans, onPercentMeans, eachMeans, onEachMeans } = props;
  const { book, vessels } = room;
  const lots = room.lots.filter((lot) => draft.lotIds.includes(lot.id));
  const method = methodOf(item, plan, room);
  const change = (part: Partial<ChainItem>) => onDraft(changedItem(draft, item.id, part));
  const acts = (
    <div className="line line-tight">
      <Button size="small" disabled={place === 0 || props.locked.has(draft.chain[place - 1]?.id ?? '')} onClick={() => onDraft(movedItem(draft, item.id, -1))}>
        Earlier
      </Button>
      <Button size="small" disabled={place === draft.chain.length - 1} onClick={() => onDraft(movedItem(draft, item.id, 1))}>
        Later
      </Button>
      <Button size="small" onClick={() => onDraft(withoutItem(draft, item.id))}>
        Leave out
      </Button>
    </div>
  );
  if (!method)
    return (
      <div className="stack">
        <Problems problems={[{ at: '', message: 'This method is not in the library. Leave it out, or choose another.' }]} />
        {acts}
      </div>
    );
  const steps = plan?.steps.filter((step) => step.id.startsWith(`${item.id}-`)) ?? [];
  const plants = plantsOf(item).flatMap((plant) => book.shelf.dyestuff(plant.dyestuffId ?? '') ?? []);
  const usual = usualFor(method, plants);
  const ranged = rangedParams(method);
  const bandOf = (key: string) => {
    const [lowKey, highKey] = BANDS.find((band) => band.includes(key)) ?? [];
    const has = (one: string | undefined) => method.params.some((param) => param.key === one);
    return lowKey && highKey && has(lowKey) && has(highKey)
      ? (low: number, high: number) => change({ params: { ...item.params, [lowKey]: low, [highKey]: high } })
      : undefined;
  };
  return (
    <div className="stack">
      <Problems problems={problems} />
      <School {...props} method={method} />
      {method.needsDyestuff ? (
        <Plants
          item={item}
          dyestuffs={book.dyestuffs}
          tried={room.tried}
          betterBy={(one) => (one.extractBy !== method.id && method.stage === 'extract' ? (book.find(one.extractBy) ?? null) : null)}
          onMethod={(better) => change(byMethod(better))}
          onChange={change}
        />
      ) : null}
      {method.steps.some((step) => step.liquor === 'brings') ? (
        <Field label="Which kept bath">
          {(id) => (
            <Select
              id={id}
              value={item.liquorId ?? null}
              placeholder="Choose a kept bath"
              showSearch={{ optionFilterProp: 'label' }}
              options={book.liquors.map((liquor) => ({ value: liquor.id, label: liquor.name }))}
              onChange={(liquorId: string) => change({ liquorId })}
              style={{ width: '100%' }}
            />
          )}
        </Field>
      ) : null}
      {item.liquorId ? <StrengthLeft liquorId={item.liquorId} /> : null}
      <WhichBath item={item} draft={draft} room={room} method={method} onChange={(bathFrom) => change({ bathFrom })} />
      <div className="fields">
        {method.params.map((param) => (
          <ParamField
            key={`${method.id}/${param.key}/${item.dyestuffId}`}
            param={param}
            usual={usual[param.key] ?? null}
            value={item.params[param.key]}
            ranged={ranged.has(param.key)}
            onBand={bandOf(param.key)}
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
              dyestuffs={book.dyestuffs}
              shelfLabels={book.labels}
              percentMeans={percentMeans}
              onPercentMeans={onPercentMeans}
              eachMeans={eachMeans}
              onEachMeans={onEachMeans}
            />
          ))
        : null}
      {acts}
    </div>
  );
}
