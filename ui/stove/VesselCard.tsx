'use client';
import { HandMark, StopMark } from '../shell/Marks';
import { Gauge } from './Gauge';
import { PotPicture } from './PotPicture';
import { SimPotKnobs } from './SimPotKnobs';
import type { StoveAct, StoveCard } from './stoveView';

interface Props {
  readonly card: StoveCard;
  readonly chosen: boolean;
  readonly onChoose: () => void;
  readonly onAct: (act: StoveAct) => void;
  readonly onMore: () => void;
}

/** One vessel in use: readable from two steps away, acts that make sense now. */
export function VesselCard({ card, chosen, onChoose, onAct, onMore }: Props) {
  const { nextCall } = card;
  return (
    <section
      className={`vessel-card${chosen ? ' vessel-chosen' : ''}`}
      aria-label={`${card.vessel.name}: ${card.step.title}`}
      onFocusCapture={onChoose}
      onPointerDownCapture={onChoose}
    >
      <header>
        <span className="key-cap">{card.number}</span>
        <div>
          <h2>{card.vessel.name}</h2>
          <p>{card.step.title}</p>
        </div>
      </header>
      <div className="vessel-body">
        <Gauge c={card.temperature?.c ?? null} bandC={card.bandC} ceilingC={card.ceilingC} />
        <div className="vessel-facts">
          <p className="vessel-temp">{card.temperature ? card.temperature.c.toFixed(1) : '–'}</p>
          <p className={`vessel-from${card.temperature?.stale ? ' vessel-stale' : ''}`}>
            {card.temperature ? `°C, ${card.temperature.from}` : '°C, nobody looked yet'}
          </p>
          {card.progress ? (
            <>
              <p className="vessel-progress">{card.progress.text}</p>
              <div
                className="bar"
                role="progressbar"
                aria-label={card.progress.text}
                aria-valuenow={Math.round(card.progress.donePct)}
                aria-valuemin={0}
                aria-valuemax={100}
              >
                <div style={{ width: `${card.progress.donePct}%` }} />
              </div>
              <p className="vessel-detail">{card.progress.detail || card.doing}</p>
            </>
          ) : null}
          {nextCall ? (
            <p className={`vessel-call${nextCall.due ? ' vessel-due' : ''}${nextCall.stop ? ' vessel-stop' : ''}`}>
              {nextCall.stop ? <StopMark size={18} /> : nextCall.due ? <HandMark size={18} /> : null}
              <span>{nextCall.text}</span> <strong>{nextCall.when}</strong>
            </p>
          ) : null}
          <PotPicture liquorHex={card.liquorHex} threads={card.threads} />
        </div>
      </div>
      <div className="vessel-acts">
        {card.acts.map((act) => (
          <button key={act.label} type="button" className="act act-tall" onClick={() => onAct(act)}>
            {act.label}
            <kbd>{act.key}</kbd>
          </button>
        ))}
        <button type="button" className="act act-tall act-more" onClick={onMore} aria-label={`More acts for ${card.vessel.name}`}>
          More
          <kbd>m</kbd>
        </button>
      </div>
      {card.vessel.probeId ? <SimPotKnobs vesselId={card.vessel.id} litres={(card.step.fit?.filledMl ?? 4000) / 1000} /> : null}
    </section>
  );
}
