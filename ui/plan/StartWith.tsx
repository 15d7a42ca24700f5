'use client';
import { Button, Select } from 'antd';
import { useState } from 'react';
import type { SessionSummary } from '@/contract/views';
import { WAYS } from '@/core/method/data/ways';
import type { Draft } from '@/core/plan/draft';
import type { Plan } from '@/core/plan/plan';
import { errorText, get } from '../api/http';
import { Field } from '../form/Field';
import { Notice } from '../shell/Notice';
import { asBefore, wayOf, withWay } from './draft';

/** A way of working to begin with, or the last plan; what was there can be had back. */
export function StartWith({ draft, onDraft }: { draft: Draft; onDraft: (draft: Draft) => void }) {
  const [before, setBefore] = useState<Draft | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const way = wayOf(draft);
  const take = (next: Draft) => {
    // Untouched steps of a way are had again by choosing it: only what somebody made is worth a way back.
    setBefore(way && draft.chain.every((item) => item.dyestuffId === null && Object.keys(item.params).length === 0) ? null : draft);
    setProblem(null);
    onDraft(next);
  };
  const takeLast = async () => {
    try {
      const sessions = await get<SessionSummary[]>('/sessions');
      const [last] = sessions.toSorted((a, b) => b.startMs - a.startMs);
      if (!last) return setProblem('There is no plan yet.');
      const { plan } = await get<{ plan: Plan }>(`/sessions/${last.id}`);
      take(asBefore(draft, plan.draft));
    } catch (error) {
      setProblem(errorText(error));
    }
  };
  return (
    <div className="stack stack-tight">
      <Field label="Way of working" hint={way?.about ?? 'Steps of your own.'}>
        {(id) => (
          <Select
            id={id}
            value={way?.id ?? null}
            placeholder="your own"
            showSearch={{ optionFilterProp: 'words' }}
            options={WAYS.map((one) => ({ value: one.id, label: one.name, words: `${one.name} ${one.about}` }))}
            onChange={(wayId: string) => {
              const chosen = WAYS.find((one) => one.id === wayId);
              if (chosen) take(withWay(draft, chosen));
            }}
            style={{ width: '100%' }}
          />
        )}
      </Field>
      <div className="line line-tight">
        <Button size="small" onClick={() => void takeLast()}>
          As in the last plan
        </Button>
        {before ? (
          <Button
            size="small"
            onClick={() => {
              onDraft({ ...before, name: draft.name, startMs: draft.startMs, lotIds: draft.lotIds });
              setBefore(null);
            }}
          >
            Put the steps back
          </Button>
        ) : null}
      </div>
      {problem ? <Notice kind="fault">{problem}</Notice> : null}
    </div>
  );
}
