'use client';
import { Select } from 'antd';
import { triedText } from '@/core/fibre/tried';
import type { Method } from '@/core/method/method';
import type { ChainItem, Draft } from '@/core/plan/draft';
import { Field } from '../form/Field';
import { Trade } from '../shell/Help';
import { byMethod, changedItem } from './draft';
import type { PlanningRoom } from './useKitchen';

interface Props {
  readonly item: ChainItem;
  readonly draft: Draft;
  readonly onDraft: (draft: Draft) => void;
  readonly room: PlanningRoom;
  readonly method: Method;
}

/** The schools of this stage side by side, and the reason of the chosen one. */
export function School({ item, draft, onDraft, room, method }: Props) {
  const { book, tried } = room;
  const schools = book.methods.filter((other) => other.stage === method.stage);
  const choose = (methodId: string) => {
    const next = book.find(methodId);
    if (next) onDraft(changedItem(draft, item.id, byMethod(next)));
  };
  return (
    <>
      {schools.length > 1 ? (
        <Field label="School">
          {(id) => (
            <Select
              id={id}
              value={method.id}
              options={schools.map((school) => ({ value: school.id, label: `${school.name}: ${school.school}` }))}
              onChange={choose}
              style={{ width: '100%' }}
            />
          )}
        </Field>
      ) : null}
      <p className="quiet small">
        <Trade>{method.why}</Trade> {triedText(tried.methods.get(method.id))}
      </p>
    </>
  );
}
