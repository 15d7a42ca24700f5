'use client';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { RunView, WeighList } from '@/contract/views';
import { printDuration } from '@/core/measure/print';
import type { PlanStep, Vessel } from '@/core/plan/plan';
import { standingTicks } from '@/core/plan/weighOut';
import type { RunFact } from '@/core/run/events';
import { printClock, printDayClock } from '@/core/time/zone';
import { errorText, post } from '../api/http';
import { newId } from '../api/newId';
import { nowMs, useNow } from '../api/serverClock';
import { useLoaded } from '../api/useLoaded';
import { type LiveRun, useRun } from '../api/useRun';
import { Findings } from '../shell/Findings';
import { FailedPage, LoadingPage } from '../shell/PageState';
import type { Asked } from './AskDialog';
import { CallStrip } from './CallStrip';
import { LastAct } from './LastAct';
import { RunLog } from './RunLog';
import { type AskFor, nextAct, type StoveAct, type StoveCard, stoveView } from './stoveView';
import { TypeAct } from './TypeAct';
import { useCalls } from './useCalls';
import { useKeys } from './useKeys';
import { VesselCard } from './VesselCard';

const AskDialog = dynamic(() => import('./AskDialog').then((module) => module.AskDialog));
const MoreActs = dynamic(() => import('./MoreActs').then((module) => module.MoreActs));
const BathNow = dynamic(() => import('./BathNow').then((module) => module.BathNow));
const KeyHelp = dynamic(() => import('./KeyHelp').then((module) => module.KeyHelp));

export function StovePage({ runId }: { runId: string }) {
  const loaded = useRun(runId);
  if (loaded.state === 'loading') return <LoadingPage what="the run" />;
  if (loaded.state === 'failed') return <FailedPage why={loaded.why} retry={loaded.retry} />;
  return <Stove run={loaded.run} />;
}

/** The run as it stands on the heat: what is live, what needs hands, and every act in one tap. */
function Stove({ run }: { run: LiveRun }) {
  const { plan } = run.view;
  const { zone } = plan.home.diary;
  const router = useRouter();
  const now = useNow();
  const vessels = useLoaded<Vessel[]>('/vessels', (message) => message.kind === 'changed' && message.what === 'vessel');
  const weighing = useLoaded<WeighList>(
    `/sessions/${plan.sessionId}/weigh-out`,
    (message) => message.kind === 'changed' && message.what === 'weigh' && message.id === plan.sessionId,
  );
  const weighed = useMemo(() => standingTicks(weighing.state === 'ready' ? weighing.value.ticks : []), [weighing]);
  const [chosen, setChosen] = useState(1);
  const [asked, setAsked] = useState<Asked | null>(null);
  const [more, setMore] = useState<StoveCard | null>(null);
  const [help, setHelp] = useState(false);
  const [last, setLast] = useState<{ ids: readonly string[]; text: string; atMs: number } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [lateSeen, setLateSeen] = useState(0);
  const shownMs = now ?? plan.steps[0]?.startMs ?? 0;
  const view = useMemo(() => stoveView(plan, run.events, run.view.readings, shownMs), [plan, run.events, run.view.readings, shownMs]);
  const due = view.nudges.find((nudge) => nudge.dueMs <= shownMs);
  const calls = useCalls(due);
  const replanId = useRef(newId());

  const log = (facts: readonly RunFact[], text: string, agoMin = 0) => {
    const atMs = nowMs() - agoMin * 60_000;
    // A moment apart, so that two facts of one tap keep their order.
    const ids = facts.map((fact, i) => run.act(fact, atMs + i).id);
    setLast({ ids, text, atMs });
  };
  const doAct = (act: StoveAct, step: PlanStep) => {
    if ('log' in act.does) log(act.does.log, `${step.title}: ${act.label.toLowerCase()}`);
    else setAsked({ ask: act.does.ask, step, ...(act.does.additionId ? { additionId: act.does.additionId } : {}) });
  };
  const cardNow = view.cards.find((card) => card.number === chosen) ?? view.cards[0];
  const ask = (what: AskFor) => cardNow && setAsked({ ask: what, step: cardNow.step });
  useKeys(!asked && !more && !help, {
    digit: (number) => setChosen(number),
    key: (key) => {
      if (key === '?') return setHelp(true);
      if (key === 'u' && last) return takeBack();
      if (!cardNow) return;
      const own = cardNow.acts.find((act) => act.key === key);
      if (own) return doAct(own, cardNow.step);
      if (key === 'b') return doAct(nextAct(cardNow.step, cardNow.clock), cardNow.step);
      if (key === 's') return log([{ type: 'stirred', stepId: cardNow.step.id }], `${cardNow.step.title}: stirred`);
      if (key === 'm') return setMore(cardNow);
      const asks: Record<string, AskFor> = { r: 'reading', p: 'ph', v: 'volume', a: 'addition', c: 'checked', n: 'note' };
      const what = asks[key];
      if (what) ask(what);
    },
  });
  useEffect(() => {
    document.title = due ? `● ${due.text} · Hyndle` : `${plan.name} · Hyndle`;
  }, [due, plan.name]);

  const takeBack = () => {
    if (!last) return;
    for (const targetId of last.ids) run.act({ type: 'amended', targetId, change: { kind: 'withdrawn', reason: 'taken back' } });
    setLast(null);
  };
  const setBack = (min: number) => {
    if (!last) return;
    for (const targetId of last.ids) run.act({ type: 'amended', targetId, change: { kind: 'retimed', atMs: Math.round(last.atMs - min * 60_000) } });
    setLast(null);
  };
  const replan = async () => {
    try {
      await post<RunView>(`/runs/${run.view.run.id}/replan`, { eventId: replanId.current, reason: `${printDuration(view.lateMin)} behind the plan` });
      replanId.current = newId();
      run.reload();
    } catch (error) {
      setProblem(errorText(error));
    }
  };
  const finish = () => {
    run.act({ type: 'finished' });
    router.push(`/runs/${run.view.run.id}/record`);
  };
  const finished = view.state.phase === 'finished';
  const unweighed = plan.lots.filter((lot) => lot.dryWeightG.state === 'unknown' && view.state.lotWeightsG[lot.id] === undefined);
  const cautions = plan.findings.filter((finding) => [...view.cards.map((card) => card.step), ...view.ready].some((step) => step.id === finding.stepId));
  return (
    <div className="page page-wide stove">
      <header className="page-head stove-head">
        <div className="page-title">
          <h1>{plan.name}</h1>
          <p className="quiet">
            {view.state.startedAtMs ? `running since ${printDayClock(view.state.startedAtMs, zone)}` : ''} · plan {plan.version}
          </p>
        </div>
        <button type="button" className="act" onClick={calls.toggle} aria-pressed={calls.on}>
          {calls.on ? 'Calling aloud' : 'Call aloud'}
        </button>
        <Link className="act" href={`/runs/${run.view.run.id}/record`}>
          Record
        </Link>
        <button type="button" className="act act-round" onClick={() => setHelp(true)} aria-label="All keys">
          ?
        </button>
        <span className="big-clock">{now === null ? '' : printClock(now, zone)}</span>
      </header>
      {run.waitingIds.size > 0 ? (
        <p className="banner" role="status">
          No answer from Hyndle: {run.waitingIds.size} {run.waitingIds.size === 1 ? 'act is' : 'acts are'} kept on this device and sent as soon as it answers.
        </p>
      ) : null}
      {run.refusal || problem ? (
        <p className="banner banner-stop" role="alert">
          {run.refusal ?? problem}{' '}
          <button
            type="button"
            className="act act-small"
            onClick={() => {
              run.forgetRefusal();
              setProblem(null);
            }}
          >
            Understood
          </button>
        </p>
      ) : null}
      {finished ? (
        <p className="banner">
          This run is finished. <Link href={`/runs/${run.view.run.id}/record`}>See its record.</Link>
        </p>
      ) : (
        <CallStrip view={view} plan={plan} nowMs={shownMs} onAnswer={log} onAsk={setAsked} onFinish={finish} />
      )}
      {last ? <LastAct text={last.text} clock={printClock(last.atMs, zone)} onBack={setBack} onTakeBack={takeBack} onClose={() => setLast(null)} /> : null}
      {!finished && unweighed.length > 0 ? (
        <p className="banner">
          {unweighed.map((lot) => lot.name).join(', ')}: dry weight unknown, so doses are too.{' '}
          {(cardNow ?? view.ready[0]) ? (
            <button type="button" className="act act-small" onClick={() => setAsked({ ask: 'weigh', step: (cardNow?.step ?? view.ready[0]) as PlanStep })}>
              Weigh it now
            </button>
          ) : null}
        </p>
      ) : null}
      <div className="vessel-cards">
        {view.cards.map((card) => (
          <VesselCard
            key={card.step.id}
            card={card}
            chosen={card === cardNow}
            onChoose={() => setChosen(card.number)}
            onAct={(act) => doAct(act, card.step)}
            onMore={() => setMore(card)}
          />
        ))}
        {finished
          ? null
          : view.ready.map((step) => (
              <section key={step.id} className="vessel-card ready-card" aria-label={`Ready: ${step.title}`}>
                <h2>{step.title}</h2>
                <p className="quiet">
                  {plan.vessels.find((vessel) => vessel.id === step.vesselId)?.name} · planned {printDayClock(step.startMs, zone)}
                </p>
                <button
                  type="button"
                  className="act act-tall"
                  onClick={() => log([{ type: 'phaseEntered', stepId: step.id, phaseIndex: 0 }], `${step.title}: begun`)}
                >
                  Begin
                </button>
                <button type="button" className="act act-small" onClick={() => setAsked({ ask: 'skip', step })}>
                  Skip
                </button>
              </section>
            ))}
      </div>
      <BathNow plan={plan} cards={view.cards} />
      <Findings findings={cautions} stepTitle={(id) => plan.steps.find((s) => s.id === id)?.title ?? ''} />
      <div className="stove-foot">
        <RunLog plan={plan} events={run.events} waitingIds={run.waitingIds} onAmend={(fact) => run.act(fact)} />
        <div className="stove-side">
          {finished ? null : <TypeAct cards={view.cards} chosen={cardNow} onLog={log} />}
          {!finished && view.lateMin >= 10 && view.lateMin > lateSeen + 5 ? (
            <div className="late">
              <p>
                <strong>{printDuration(view.lateMin)} behind the plan.</strong>
              </p>
              <button type="button" className="act" onClick={() => void replan()}>
                Fit the rest from now
              </button>
              <button type="button" className="act" onClick={() => setLateSeen(view.lateMin)}>
                Leave the plan
              </button>
            </div>
          ) : null}
        </div>
      </div>
      {asked ? (
        <AskDialog
          asked={asked}
          plan={plan}
          state={view.state}
          weighed={weighed}
          vessels={vessels.state === 'ready' ? vessels.value : plan.vessels}
          onClose={() => setAsked(null)}
          onLog={(fact, agoMin) => log([fact], asked.step.title, agoMin)}
        />
      ) : null}
      {more ? (
        <MoreActs
          card={more}
          onClose={() => setMore(null)}
          onAsk={(what) => {
            setMore(null);
            setAsked({ ask: what, step: more.step });
          }}
          onLog={(facts, text) => {
            setMore(null);
            log(facts, `${more.step.title}: ${text}`);
          }}
        />
      ) : null}
      {help ? <KeyHelp onClose={() => setHelp(false)} /> : null}
    </div>
  );
}
