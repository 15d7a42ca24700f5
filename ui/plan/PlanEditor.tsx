'use client';
import { Input } from 'antd';
import { type ReactNode, useEffect, useMemo } from 'react';
import type { Draft } from '@/core/plan/draft';
import { keepingBegun } from '@/core/plan/joinLot';
import type { Plan } from '@/core/plan/plan';
import { begunItems } from '@/core/run/theRest';
import { isStop, rankFindings } from '@/core/safety/finding';
import type { Begun } from '@/workers/plan.worker';
import { Field } from '../form/Field';
import { LabelledWhen } from '../form/WhenField';
import { EmptyPlace } from '../shell/EmptyPlace';
import { Findings } from '../shell/Findings';
import { Guard } from '../shell/Guard';
import { fetchBeforehand, later } from '../shell/later';
import { Notice } from '../shell/Notice';
import { Page, Panel } from '../shell/Page';
import { Warp } from '../warp/Warp';
import { AgainstPanel } from './AgainstPanel';
import { Blend } from './Blend';
import { ChainEditor } from './ChainEditor';
import { itemOfProblem, withLots } from './draft';
import { Flexed } from './Flexed';
import { Gaps } from './Gaps';
import { InTime } from './InTime';
import { LotPicker } from './LotPicker';
import { MissingVessels } from './MissingVessels';
import { PlanTotals } from './PlanHead';
import { Problems } from './Problems';
import { Questions } from './Questions';
import { StartWith } from './StartWith';
import { useClashes } from './useClashes';
import type { PlanningRoom } from './useKitchen';
import { usePlanning } from './usePlanning';

/** A grid of every lot and step, and all that a table needs: after the plan’s first bytes. */
const WhoGetsWhat = later(() => import('./WhoGetsWhat').then((module) => module.WhoGetsWhat));

interface Props {
  readonly room: PlanningRoom;
  readonly draft: Draft;
  readonly onDraft: (draft: Draft) => void;
  /** The plan that stands, when one is being changed. */
  readonly first: Plan | null;
  /** What has begun of it already; missing: nothing has. */
  readonly begun?: Begun | null;
  readonly title: ReactNode;
  readonly notices: ReactNode;
  /** The buttons that keep the plan, given the one that works out now. */
  readonly keep: (plan: Plan | null) => ReactNode;
}

const NOTHING: ReadonlySet<string> = new Set();

/** A draft on the left, the plan it makes on the right, worked out anew after every change. */
export function PlanEditor({ room, draft, onDraft, first, begun = null, title, notices, keep }: Props) {
  const { lots } = room;
  const { built, lastPlan } = usePlanning(draft, room.kitchen, first, begun);
  const locked = useMemo(() => (begun ? begunItems(begun.plan, begun.state) : NOTHING), [begun]);
  // There before a second lot is chosen, so that nothing grows under a finger.
  useEffect(() => void fetchBeforehand([WhoGetsWhat]), []);
  const shown = built.plan ?? lastPlan;
  const general = built.problems.filter((problem) => itemOfProblem(problem.at, draft) === null);
  const clashing = useClashes(shown, first?.sessionId ?? 'preview');
  return (
    <Page title={title} acts={keep(built.plan)}>
      {notices}
      <div className="beside beside-editor">
        <form className="stack" onSubmit={(event) => event.preventDefault()}>
          <Panel label="What and when">
            <Field label="Name">
              {(id) => (
                <Input
                  id={id}
                  value={draft.name}
                  maxLength={120}
                  placeholder="What will it be?"
                  onChange={(event) => onDraft({ ...draft, name: event.target.value })}
                />
              )}
            </Field>
            <LabelledWhen label="Begin at the earliest" value={draft.startMs} onChange={(startMs) => startMs !== null && onDraft({ ...draft, startMs })} />
            <LabelledWhen
              label="Must be over by"
              value={draft.endByMs ?? null}
              placeholder="whenever it is"
              optional
              onChange={(endByMs) => onDraft({ ...draft, endByMs })}
            />
          </Panel>
          {first === null ? (
            <Panel label="Begin with">
              <StartWith draft={draft} onDraft={onDraft} />
            </Panel>
          ) : null}
          <Panel title="Fibre">
            <LotPicker lots={lots} chosen={draft.lotIds} onChoose={(lotIds) => onDraft(keepingBegun(withLots(draft, lotIds), draft, locked))} />
          </Panel>
          <ChainEditor room={room} draft={draft} onDraft={onDraft} plan={shown} problems={built.problems} locked={locked} />
        </form>
        <div className="stack sticky">
          <Problems problems={general} />
          <AgainstPanel draft={draft} onDraft={onDraft} lots={lots} book={room.book} />
          {shown ? (
            <>
              <PlanTotals plan={shown} />
              <InTime plan={shown} onBegin={(startMs) => onDraft({ ...draft, startMs })} />
              <Flexed plan={shown} />
              {draft.lotIds.length > 1 ? (
                <Panel title="Who gets what">
                  <WhoGetsWhat draft={draft} onDraft={onDraft} lots={lots} methods={room.book} locked={locked} />
                </Panel>
              ) : null}
              {built.plan ? null : <Notice>This is the plan before your last change. Mend what is marked and it is worked out again.</Notice>}
              <MissingVessels vessels={shown.vessels} />
              <Blend plan={shown} draft={draft} onDraft={onDraft} />
              <Questions plan={shown} draft={draft} onDraft={onDraft} />
              <Gaps plan={shown} />
              <Findings findings={rankFindings([...clashing, ...shown.findings])} stepTitle={(id) => shown.steps.find((s) => s.id === id)?.title ?? ''} />
              <Guard what="The warp">
                <Warp plan={shown} onChoose={(stepId) => document.getElementById(`item-${stepId.split('-')[0]}`)?.scrollIntoView({ block: 'start' })} />
              </Guard>
            </>
          ) : (
            <EmptyPlace>Choose a lot, and the plan hangs here: vessels side by side, time down the page.</EmptyPlace>
          )}
        </div>
      </div>
    </Page>
  );
}

export const canKeep = (plan: Plan | null): boolean => plan !== null && plan.name !== '';
export const isHeld = (plan: Plan | null): boolean => plan?.findings.some(isStop) ?? false;
