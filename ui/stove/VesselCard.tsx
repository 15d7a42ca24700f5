'use client';
import { Button } from 'antd';
import type { ReactNode } from 'react';
import { useFastnessById } from '../fastness/useFastness';
import { usePrint } from '../shell/facts';
import { later } from '../shell/later';
import { HandMark, StopMark } from '../shell/Marks';
import { Gauge } from './Gauge';
import { PhGauge } from './laterParts';
import { PotPicture } from './PotPicture';
import type { StoveAct, StoveCard } from './stoveView';

// The figure stands above it in words; the bar follows a moment later, in a place kept for it.
const Bar = later(() => import('./Bar').then((module) => module.Bar));
const SimPot = later(() => import('./SimPot').then((module) => module.SimPot), <div style={{ minHeight: 48 }} />);

/** The vessel’s number, as on the key that chooses it. */
const KEY_CAP = {
  flex: 'none',
  alignSelf: 'start',
  width: 32,
  lineHeight: '32px',
  textAlign: 'center',
  background: 'var(--ink)',
  color: 'var(--card)',
  borderRadius: 3,
} as const;

interface Props {
  readonly card: StoveCard;
  readonly chosen: boolean;
  readonly onChoose: () => void;
  readonly onAct: (act: StoveAct) => void;
  readonly onMore: () => void;
  /** Where its countdown was put away: brings it back. */
  readonly onCountdown?: () => void;
  /** A picture of what is in it. */
  readonly picture: ReactNode;
}

/** One vessel in use: readable from two steps away, acts that make sense now. */
export function VesselCard({ card, chosen, onChoose, onAct, onMore, onCountdown, picture }: Props) {
  const print = usePrint();
  const { nextCall, temperature, progress } = card;
  const { phAim } = card.step;
  const fastness = useFastnessById()(card.step.treatment === 'dye' ? card.step.dyestuffId : null);
  const [degrees = '–', scale = '°C'] = (temperature?.text ?? `– ${print.temperature(0).slice(-2)}`).split(' ');
  return (
    <section
      className={`vessel-card${chosen ? ' vessel-chosen' : ''}`}
      aria-label={`${card.vessel.name}: ${card.step.title}`}
      onFocusCapture={onChoose}
      onPointerDownCapture={onChoose}
    >
      <header>
        <span className="figure" style={KEY_CAP}>
          {card.number}
        </span>
        <div>
          <h2>{card.vessel.name}</h2>
          <p className="quiet">{card.step.title}</p>
          {fastness ? <p className="quiet small">light and washing: {fastness}</p> : null}
        </div>
      </header>
      <div style={{ display: 'grid', gridTemplateColumns: card.isWet ? '74px minmax(0, 1fr)' : 'minmax(0, 1fr)', gap: 10 }}>
        {card.isWet ? (
          <div>
            <Gauge c={temperature?.c ?? null} bandC={card.bandC} ceilingC={card.ceilingC} />
            {phAim ? (
              <>
                <p className="quiet small">pH</p>
                <PhGauge ph={card.state.ph.at(-1)?.value ?? null} aim={phAim} />
              </>
            ) : null}
          </div>
        ) : null}
        <div className="stack stack-tight">
          {card.isWet ? <p className="vessel-temp">{print.measures.temperature === 'C' && temperature ? temperature.c.toFixed(1) : degrees}</p> : null}
          {card.isWet ? (
            <p className={temperature?.stale ? 'small' : 'quiet small'} style={{ textAlign: 'right' }}>
              {scale}, {temperature?.stale ? <strong>{card.heard}</strong> : card.heard}
            </p>
          ) : null}
          {progress ? (
            <>
              <strong className="vessel-progress">{progress.text}</strong>
              <div style={{ height: 24 }}>
                <Bar text={progress.text} donePct={progress.donePct} />
              </div>
              <p className="quiet small">{progress.detail || card.doing}</p>
            </>
          ) : null}
          {nextCall ? (
            <p className={`vessel-call ${nextCall.stop ? 'fault' : nextCall.due ? 'vessel-due' : ''}`}>
              {nextCall.stop ? <StopMark size={18} /> : nextCall.due ? <HandMark size={18} /> : null}
              <span style={{ flex: 1 }}>{print.says(nextCall.text)}</span> <strong>{nextCall.when}</strong>
            </p>
          ) : null}
          {card.heatSet ? <p className="quiet small">{card.heatSet}</p> : null}
          {card.heatLines.map((line) => (
            <p key={line} className="small">
              {line}
            </p>
          ))}
          {card.bath ? <p className="small">In it: {print.says(card.bath)}</p> : null}
          <PotPicture liquorHex={card.liquorHex} threads={card.threads} />
        </div>
      </div>
      <div className="vessel-acts">
        {card.acts.map((act) => (
          <Button key={act.label} className="tall" onClick={() => onAct(act)}>
            {act.label}
            <kbd>{act.key}</kbd>
          </Button>
        ))}
        {onCountdown ? (
          <Button className="tall" onClick={onCountdown}>
            Countdown
          </Button>
        ) : null}
        {picture}
        <Button className="tall" onClick={onMore} aria-label={`More acts for ${card.vessel.name}`}>
          More
          <kbd>m</kbd>
        </Button>
      </div>
      {card.vessel.probeId ? (
        <SimPot
          vesselId={card.vessel.id}
          litres={(card.step.fit?.filledMl ?? 4000) / 1000}
          onHeat={(knob, hasLid) => onAct({ key: '', label: 'set the heat', does: { log: [{ type: 'heatSet', stepId: card.step.id, knob, hasLid }] } })}
        />
      ) : null}
    </section>
  );
}
