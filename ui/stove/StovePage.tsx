'use client';
import { Button, ConfigProvider } from 'antd';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { RunView, WeighList } from '@/contract/views';
import type { KnownPot } from '@/core/heat/learnPot';
import type { Vessel } from '@/core/kitchen/vessel';
import { lowerFirst } from '@/core/measure/lowerFirst';
import { heatShared } from '@/core/plan/heatShared';
import { isHeated } from '@/core/plan/phase';
import type { PlanStep } from '@/core/plan/plan';
import { standingTicks } from '@/core/plan/weighTicks';
import { describeEvent } from '@/core/run/describeEvent';
import type { RunFact } from '@/core/run/events';
import type { Nudge } from '@/core/run/nudges';
import type { Choice, Moment } from '@/core/run/otherwise';
import { isFor, isHeard } from '@/core/run/silence';
import { rankFindings } from '@/core/safety/finding';
import type { StockLevel } from '@/core/shelf/stock';
import type { Look } from '@/core/swatch/look';
import { errorText, post } from '../api/http';
import { newId } from '../api/newId';
import { nowMs, useNow } from '../api/serverClock';
import { useLoaded } from '../api/useLoaded';
import { type LiveRun, useRun } from '../api/useRun';
import { useClashes } from '../plan/useClashes';
import { useConnected } from '../shell/connected';
import { FailedPage } from '../shell/FailedPage';
import { Findings } from '../shell/Findings';
import { usePrint } from '../shell/facts';
import { LinkButton } from '../shell/LinkButton';
import { LoadingPage } from '../shell/LoadingPage';
import { fetchBeforehand } from '../shell/later';
import { Notice } from '../shell/Notice';
import { Page } from '../shell/Page';
import { Steady } from '../shell/Steady';
import { useKeys } from '../shell/useKeys';
import { stoveTheme } from '../theme/antdTheme';
import type { Asked } from './AskDialog';
import { ACTS, actsAt } from './acts';
import { CallStrip } from './CallStrip';
import { CallsChoice } from './CallsChoice';
import {
  AskDialog,
  BathNow,
  BathsLeft,
  DipScreen,
  EarlyEnd,
  Elsewhere,
  JoinLot,
  KeyHelp,
  LastAct,
  LookBoxNotice,
  LookForm,
  MoreActs,
  ON_A_TAP,
  OtherwiseStrip,
  Overshot,
  TypeAct,
} from './laterParts';
import { lookAt } from './lookAt';
import type { Said } from './OtherwiseStrip';
import { RunLog } from './RunLog';
import { actOn, type StoveAct, type StoveCard, stoveView } from './stoveView';
import { useCalls, useHears } from './useCalls';
import { useDips } from './useDips';
import { useLogging } from './useLogging';
import { useNames } from './useNames';
import { Vessels } from './Vessels';

const NO_LOOKS: readonly Look[] = [];
const NO_POTS: readonly KnownPot[] = [];
const NO_STOCK: readonly StockLevel[] = [];
const DIGITS = ['1', '2', '3', '4', '5', '6', '7', '8', '9'] as const;

export function StovePage({ runId }: { runId: string }) {
  const loaded = useRun(runId);
  if (loaded.state === 'loading') return <LoadingPage title="The stove" shape="panels" />;
  if (loaded.state === 'failed') return <FailedPage title="The stove" why={loaded.why} retry={loaded.retry} />;
  return (
    <ConfigProvider theme={stoveTheme}>
      <Stove run={loaded.value} />
    </ConfigProvider>
  );
}

const isHeld = ({ clock, state }: StoveCard): boolean => clock.current?.phase.kind === 'hold' && state.status === 'running';

/** The run as it stands on the heat: what is live, what needs hands, and every act in one tap. */
function Stove({ run }: { run: LiveRun }) {
  const { plan } = run.view;
  const print = usePrint();
  const router = useRouter();
  const now = useNow();
  const connected = useConnected();
  const looks = useLoaded<Look[]>(`/looks?runId=${run.view.run.id}`);
  const vessels = useLoaded<Vessel[]>('/vessels');
  const stock = useLoaded<StockLevel[]>('/stock');
  const weighing = useLoaded<WeighList>(`/sessions/${plan.sessionId}/weigh-out`);
  const pots = useLoaded<KnownPot[]>('/pots/heat');
  const known = pots.state === 'ready' ? pots.value : NO_POTS;
  const weighed = useMemo(() => standingTicks(weighing.state === 'ready' ? weighing.value.ticks : []), [weighing]);
  const [chosen, setChosen] = useState(1);
  const [asked, setAsked] = useState<Asked | null>(null);
  // By step: what is open shows the pot as it is now, not as it was when it was opened.
  const [open, setOpen] = useState<{ readonly what: 'more' | 'saying' | 'joining'; readonly stepId: string } | null>(null);
  const [said, setSaid] = useState<Said | null>(null);
  const [help, setHelp] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const view = useMemo(() => stoveView(plan, run.events, run.view.readings, now, print, known), [plan, run.events, run.view.readings, now, print, known]);
  const due = view.nudges.find((nudge) => nudge.dueMs <= now);
  const [hears, setHears] = useHears(run.view.run.id);
  const vesselOf = (nudge: Nudge) => view.state.steps[nudge.stepId]?.vesselId ?? null;
  const rings = view.nudges.filter(
    (nudge) => nudge.dueMs <= now && !isHeard(nudge, view.state.steps[nudge.stepId], now) && isFor(hears, nudge, vesselOf(nudge)),
  );
  const ringing = rings[0];
  const calls = useCalls(ringing && { ...ringing, text: print.says(ringing.text), place: plan.vessels.find(({ id }) => id === vesselOf(ringing))?.name ?? '' });
  /** Everything that rings here was heard: one tap, whatever is due at once. */
  const quiet = () => {
    const heard = new Map(rings.map(({ stepId, act }) => [`${stepId}/${act}`, { type: 'callHeard', stepId, call: act } as const]));
    for (const fact of heard.values()) run.act(fact);
  };
  const nameOf = useNames(plan);
  const { logAt, log, last, forget, amendLast, takeBack, early, closeEarly } = useLogging(run, view.clocks, plan.steps, view.state.steps);
  const replanId = useRef(newId());

  /** A picture or a word of what steeps is the look that was called for; over a flame, water and heat want one of their own. */
  const looked = ({ step, clock }: StoveCard) => {
    const kind = clock.current?.phase.kind;
    if (kind === 'until' || kind === 'soak') run.act({ type: 'checked', stepId: step.id, finding: '' });
  };
  const doAct = (act: StoveAct, step: PlanStep) => {
    if ('log' in act.does) log(act.does.log, `${step.title}: ${lowerFirst(act.label)}`);
    else setAsked({ ask: act.does.ask, step, ...(act.does.additionId ? { additionId: act.does.additionId } : {}) });
  };
  const { dips, isCounting, putAway, bringBack } = useDips(view.cards);
  const cardNow = view.cards.find((card) => card.number === chosen) ?? view.cards[0];
  const opened = (what: 'more' | 'saying' | 'joining') => (open?.what === what ? view.cards.find(({ step }) => step.id === open.stepId) : undefined);
  const [more, saying, joining] = [opened('more'), opened('saying'), opened('joining')];
  const openOn = (what: 'more' | 'saying' | 'joining', card: StoveCard) => setOpen({ what, stepId: card.step.id });
  const shut = () => setOpen(null);
  const press = (key: string) => {
    if (!cardNow) return;
    const own = cardNow.acts.find((act) => act.key === key);
    if (own) return doAct(own, cardNow.step);
    if (key === 'm') return openOn('more', cardNow);
    const act = actsAt(cardNow.isWet).find((row) => row.key === key);
    if (act) doAct(actOn(act.id, cardNow.step, cardNow.clock), cardNow.step);
  };
  useKeys(!asked && !more && !help && !early && !saying && !isCounting, {
    ...Object.fromEntries(DIGITS.map((digit) => [digit, () => setChosen(Number(digit))])),
    ...Object.fromEntries(['m', ...ACTS.flatMap((row) => row.key ?? [])].map((key) => [key, () => press(key)])),
    u: takeBack,
    '?': () => setHelp(true),
    'Shift+?': () => setHelp(true),
  });
  useEffect(() => {
    void fetchBeforehand(ON_A_TAP);
  }, []);
  useEffect(() => {
    document.title = due ? `● ${print.says(due.text)} · Hyndle` : `${plan.name} · Hyndle`;
  }, [due, plan.name, print]);

  const replan = async (reason: string) => {
    try {
      await post<RunView>(`/runs/${run.view.run.id}/replan`, { eventId: replanId.current, reason });
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
  const moment: Moment = { plan, state: view.state, clocks: view.clocks, heat: view.heat, nowMs: now, lateMin: view.lateMin, print };
  /** The plan changes while the run goes on; what cannot be planned is said. */
  const inMidRun = (change: Promise<void>): void => void change.catch((error: unknown) => setProblem(errorText(error)));
  const logNow = (facts: readonly RunFact[], text: string) => logAt(facts, text, nowMs());
  const rescue = (card: StoveCard, lotIds: readonly string[]) =>
    inMidRun(import('./rescuePale').then(({ rescuePale }) => rescuePale(run, card, lotIds, logNow)));
  const take = ({ title, does }: Choice, stepId: string | null) => {
    const step = plan.steps.find(({ id }) => id === stepId);
    const card = view.cards.find((one) => one.step.id === stepId);
    if ('replan' in does) void replan(does.replan);
    else if ('log' in does) logAt(does.log, `${step ? `${step.title}: ` : ''}${lowerFirst(title)}`, nowMs());
    else if ('ask' in does && step) setAsked({ ask: does.ask, step });
    else if ('change' in does) router.push(`/sessions/${plan.sessionId}/change`);
    else if ('rescue' in does && card) rescue(card, does.rescue);
  };
  const unweighed = plan.lots.filter((lot) => lot.dryWeightG.state === 'unknown' && view.state.lotWeightsG[lot.id] === undefined);
  const cautions = plan.findings.filter((finding) => [...view.cards.map((card) => card.step), ...view.ready].some((step) => step.id === finding.stepId));
  const here = useMemo(() => {
    const open = new Set([...view.cards.map((card) => card.step.id), ...view.ready.map((step) => step.id)]);
    return { ...plan, steps: plan.steps.filter((step) => open.has(step.id)) };
  }, [plan, view.cards, view.ready]);
  const clashing = useClashes(finished ? null : here, plan.sessionId);
  const hot = view.cards.filter((card) => card.clock.current && isHeated(card.clock.current.phase) && card.state.status === 'running');
  const shared = heatShared(
    hot.map((card) => ({ stepId: card.step.id, vessel: card.vessel })),
    (id) => plan.home.heatSources.find((source) => source.id === id)?.name ?? 'The heat',
  );
  const anyStep = cardNow?.step ?? view.ready[0];
  return (
    <Page
      className="stove"
      title={plan.name}
      under={
        <span>
          {view.state.startedAtMs ? `running since ${print.date(view.state.startedAtMs, now)}` : ''} · plan {plan.version}
        </span>
      }
      acts={
        <>
          <CallsChoice
            calls={calls}
            hears={hears}
            onHears={setHears}
            vessels={plan.vessels.filter((vessel) => plan.steps.some((s) => s.vesselId === vessel.id))}
          />
          {finished ? null : <LinkButton href={`/sessions/${plan.sessionId}/change`}>Change the rest</LinkButton>}
          <LinkButton href={`/runs/${run.view.run.id}/record`}>Record</LinkButton>
          <Button onClick={() => setHelp(true)} aria-label="All keys">
            ?
          </Button>
          <span className="big-figure">{print.clock(now)}</span>
        </>
      }
    >
      <Steady>
        {run.heldIds.size > 0 ? (
          <Notice>
            {run.heldWhy ?? 'No answer from Hyndle:'} {run.heldIds.size} {run.heldIds.size === 1 ? 'act is' : 'acts are'} kept on this device and sent as soon
            as it {run.heldWhy ? 'can be' : 'answers'}.
          </Notice>
        ) : connected ? null : (
          <Notice>No answer from Hyndle. The clocks go on, and what you log is kept on this device until it answers.</Notice>
        )}
        <LookBoxNotice isMine={({ input }) => input.at?.runId === run.view.run.id} />
        {run.refusal || problem ? (
          <Notice
            kind="fault"
            acts={
              <Button
                onClick={() => {
                  run.forgetRefusal();
                  setProblem(null);
                }}
              >
                Understood
              </Button>
            }
          >
            {run.refusal ?? problem}
          </Notice>
        ) : null}
        {finished ? (
          <Notice acts={<LinkButton href={`/runs/${run.view.run.id}/record`}>See its record</LinkButton>}>This run is finished.</Notice>
        ) : (
          <CallStrip
            view={view}
            plan={plan}
            nowMs={now}
            onAnswer={log}
            onAsk={setAsked}
            onFinish={finish}
            {...(calls.on && rings.length > 0 ? { onQuiet: quiet } : {})}
          />
        )}
        {finished ? null : <Elsewhere runId={run.view.run.id} nowMs={now} isOnTrip={due !== undefined} />}
        {finished ? null : <OtherwiseStrip runId={run.view.run.id} moment={moment} said={said} onHeard={() => setSaid(null)} onTake={take} />}
        {(finished ? [] : view.cards).map((card) => (
          <Overshot
            key={card.step.id}
            plan={plan}
            card={card}
            run={view.state}
            nowMs={now}
            onLog={log}
            onPlan={(way, says) =>
              inMidRun(
                import('./planOvershot').then(({ planOvershot }) =>
                  planOvershot(run, card.step, view.state.steps[card.step.id]?.additions ?? [], way, says, logNow),
                ),
              )
            }
          />
        ))}
        {view.allOver && !finished ? <BathsLeft view={{ ...run.view, events: run.events }} /> : null}
        {!finished && unweighed.length > 0 ? (
          <Notice acts={anyStep ? <Button onClick={() => setAsked({ ask: 'weigh', step: anyStep })}>Weigh it now</Button> : null}>
            {unweighed.map((lot) => lot.name).join(', ')}: dry weight unknown, so doses are too.
          </Notice>
        ) : null}
        <div className="beside">
          <div className="stack">
            <Vessels
              run={run}
              view={view}
              known={known}
              nowMs={now}
              cardNow={cardNow}
              hiddenDips={isCounting ? [] : dips.map(({ dip }) => dip.stepId)}
              onCountdown={bringBack}
              onChoose={(card) => setChosen(card.number)}
              onAct={(act, card) => doAct(act, card.step)}
              onMore={(card) => openOn('more', card)}
              onLooked={looked}
              onBegin={(step) => log([{ type: 'phaseEntered', stepId: step.id, phaseIndex: 0 }], `${step.title}: begun`)}
              onSkip={(step) => setAsked({ ask: 'skip', step })}
            />
            <BathNow plan={plan} cards={view.cards} steps={view.state.steps} />
            <Findings findings={rankFindings([...shared, ...clashing, ...cautions])} stepTitle={(id) => plan.steps.find((s) => s.id === id)?.title ?? ''} />
          </div>
          <div className="stack">
            {finished ? null : <TypeAct cards={view.cards} chosen={cardNow} onLog={log} />}
            <RunLog plan={plan} events={run.events} heldIds={run.heldIds} onAmend={run.act} looks={looks.state === 'ready' ? looks.value : NO_LOOKS} />
          </div>
        </div>
      </Steady>
      {isCounting && !early ? <DipScreen dips={dips} calls={calls} onAct={(act, card) => doAct(act, card.step)} onClose={putAway} /> : null}
      {early ? <EarlyEnd early={early} onClose={closeEarly} /> : null}
      {asked ? (
        <AskDialog
          asked={asked}
          stock={stock.state === 'ready' ? stock.value : NO_STOCK}
          plan={plan}
          state={view.state}
          latestC={view.clocks[asked.step.id]?.latestC?.bathC ?? null}
          weighed={weighed}
          vessels={vessels.state === 'ready' ? vessels.value : plan.vessels}
          onClose={() => setAsked(null)}
          others={view.cards.filter((card) => card.step.id !== asked.step.id && card.isWet).map((card) => card.step)}
          onLog={(fact, atMs, also) => {
            const facts = [fact, ...also.map(({ id: stepId }) => ({ ...fact, stepId }) as RunFact)];
            const of = also.length > 0 ? `all ${also.length + 1} pots` : asked.step.title;
            log(facts, `${of}: ${describeEvent({ ...fact, id: '', atMs, recordedAtMs: atMs }, plan, print, nameOf)}`, Math.max(0, (nowMs() - atMs) / 60_000));
          }}
        />
      ) : null}
      {more ? (
        <MoreActs
          card={more}
          lots={plan.lots.filter((lot) => more.step.lotIds.includes(lot.id))}
          runId={run.view.run.id}
          plan={plan}
          dye={more.step.treatment === 'dye' ? (more.step.dyestuffIds ?? [more.step.dyestuffId ?? '']).map(nameOf).join(' + ') : null}
          looks={looks.state === 'ready' ? looks.value : NO_LOOKS}
          onClose={shut}
          onPale={(lotIds) => {
            shut();
            rescue(more, lotIds);
          }}
          onJoin={more.step.lotIds.length > 0 ? () => openOn('joining', more) : null}
          othersHeld={isHeld(more) ? view.cards.filter((card) => card.step.id !== more.step.id && isHeld(card)).map((card) => card.step) : []}
          onTrouble={(trouble) => {
            shut();
            setSaid({ trouble, stepId: more.step.id });
          }}
          onLook={() => openOn('saying', more)}
          onAsk={(what) => {
            shut();
            setAsked({ ask: what, step: more.step });
          }}
          onLog={(facts, text) => {
            shut();
            log(facts, `${more.step.title}: ${text}`);
          }}
        />
      ) : null}
      <LastAct
        logged={last}
        onBack={(min) => last && amendLast({ kind: 'retimed', atMs: Math.round(last.atMs - min * 60_000) })}
        onTakeBack={takeBack}
        onClose={forget}
      />
      {saying ? (
        <LookForm of={lookAt(run.view.run.id, saying)} title={`${saying.step.title}: how it looks`} onKept={() => looked(saying)} onClose={shut} />
      ) : null}
      {joining ? <JoinLot run={run} state={view.state} step={joining.step} onClose={shut} /> : null}
      {help ? <KeyHelp onClose={() => setHelp(false)} /> : null}
    </Page>
  );
}
