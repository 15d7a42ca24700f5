'use client';
import { Select } from 'antd';
import type { Method } from '@/core/method/method';
import type { ChainItem, Draft } from '@/core/plan/draft';
import { Field } from '../form/Field';
import type { PlanningRoom } from './useKitchen';

interface Props {
  readonly item: ChainItem;
  readonly draft: Draft;
  readonly room: PlanningRoom;
  readonly method: Method;
  readonly onChange: (bathFrom: readonly string[] | null) => void;
}

/** Which of several baths a step works in; two that are chosen are poured together. Asked only where there is a choice. */
export function WhichBath({ item, draft, room, method, onChange }: Props) {
  const { book } = room;
  if (!method.steps.some((step) => step.liquor === 'uses')) return null;
  const here = draft.chain.findIndex((one) => one.id === item.id);
  const makers = draft.chain.slice(0, here).filter((one) => book.find(one.methodId)?.steps.some((step) => step.liquor === 'makes' || step.liquor === 'brings'));
  if (makers.length < 2) return null;
  const nameOf = (one: ChainItem) =>
    (one.dyestuffId && book.shelf.dyestuff(one.dyestuffId)?.name) || book.liquors.find((liquor) => liquor.id === one.liquorId)?.name;
  return (
    <Field label="Which bath" hint="Two are poured together. Left empty: the first that waits.">
      {(id) => (
        <Select
          id={id}
          mode="multiple"
          allowClear
          value={[...(item.bathFrom ?? [])]}
          placeholder="the first that waits"
          options={makers.map((one, i) => ({ value: one.id, label: `bath ${i + 1}: ${nameOf(one) ?? 'not chosen yet'}` }))}
          onChange={(chosen: string[]) => onChange(chosen.length === 0 ? null : chosen)}
          style={{ width: '100%' }}
        />
      )}
    </Field>
  );
}
