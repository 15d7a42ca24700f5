'use client';
import { Button } from 'antd';
import type { KnownPot } from '@/core/heat/learnPot';
import type { PlanStep } from '@/core/plan/plan';
import { readingsOf } from '@/core/run/readings';
import type { LiveRun } from '../api/useRun';
import { usePrint } from '../shell/facts';
import { HeatCurve } from './HeatCurve';
import { PhNow, PictureButton, VesselTiles } from './laterParts';
import { lookAt } from './lookAt';
import type { StoveAct, StoveCard, StoveView } from './stoveView';
import { VesselCard } from './VesselCard';

/** So many pots stand as whole cards; of more, one does, below a board of them all. */
const WHOLE_CARDS = 4;

interface Props {
  readonly run: Pick<LiveRun, 'view'>;
  readonly view: StoveView;
  readonly known: readonly KnownPot[];
  readonly nowMs: number;
  readonly cardNow: StoveCard | undefined;
  /** Dips whose countdown was put away. */
  readonly hiddenDips: readonly string[];
  readonly onCountdown: () => void;
  readonly onChoose: (card: StoveCard) => void;
  readonly onAct: (act: StoveAct, card: StoveCard) => void;
  readonly onMore: (card: StoveCard) => void;
  readonly onLooked: (card: StoveCard) => void;
  readonly onBegin: (step: PlanStep) => void;
  readonly onSkip: (step: PlanStep) => void;
}

/** The vessels in use, their curves, and the steps whose turn has come. */
export function Vessels({ run, view, known, nowMs, cardNow, hiddenDips, onCountdown, onChoose, onAct, onMore, onLooked, onBegin, onSkip }: Props) {
  const print = usePrint();
  const { plan, run: row, readings: probed } = run.view;
  const { cards } = view;
  const isBoard = cards.length > WHOLE_CARDS;
  const [onlyCard, ...others] = cards;
  const readings = onlyCard && others.length === 0 && onlyCard.isWet ? readingsOf(onlyCard.step, onlyCard.state, probed) : [];
  return (
    <>
      {isBoard ? <VesselTiles cards={cards} chosen={cardNow} onChoose={onChoose} /> : null}
      <div className="columns">
        {(isBoard ? cards.filter((card) => card === cardNow) : cards).map((card) => (
          <VesselCard
            key={card.step.id}
            card={card}
            chosen={card === cardNow}
            onChoose={() => onChoose(card)}
            onAct={(act) => onAct(act, card)}
            onMore={() => onMore(card)}
            {...(hiddenDips.includes(card.step.id) ? { onCountdown } : {})}
            picture={<PictureButton className="tall" of={lookAt(row.id, card)} onKept={() => onLooked(card)} />}
          />
        ))}
        {onlyCard && readings.length > 1 ? <HeatCurve card={onlyCard} readings={readings} pots={known} altitudeM={plan.home.altitudeM} nowMs={nowMs} /> : null}
        {cardNow && cardNow.state.ph.length > 1 ? <PhNow key={`ph-${cardNow.step.id}`} card={cardNow} /> : null}
        {view.state.phase === 'finished'
          ? null
          : view.ready.map((step) => (
              <section key={step.id} className="vessel-card ready-card" aria-label={`Ready: ${step.title}`}>
                <h2>{step.title}</h2>
                <p className="quiet">
                  {plan.vessels.find((vessel) => vessel.id === step.vesselId)?.name} · planned {print.date(step.startMs, nowMs)}
                </p>
                <Button size="large" onClick={() => onBegin(step)}>
                  Begin
                </Button>
                <Button type="text" onClick={() => onSkip(step)}>
                  Skip
                </Button>
              </section>
            ))}
      </div>
    </>
  );
}
