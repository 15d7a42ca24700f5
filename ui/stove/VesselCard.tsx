'use client';
import { Button, Flex } from 'antd';
import type { ReactNode } from 'react';
import { usePrint } from '../shell/facts';
import { later } from '../shell/later';
import { HandMark, StopMark } from '../shell/Marks';
import { Gauge } from './Gauge';
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
  /** A picture of what is in it. */
  readonly picture: ReactNode;
}

/** One vessel in use: readable from two steps away, acts that make sense now. */
export function VesselCard({ card, chosen, onChoose, onAct, onMore, picture }: Props) {
  const print = usePrint();
  const { nextCall, temperature, progress } = card;
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
        </div>
      </header>
      <div style={{ display: 'grid', gridTemplateColumns: card.isWet ? '74px minmax(0, 1fr)' : 'minmax(0, 1fr)', gap: 10 }}>
        {card.isWet ? <Gauge c={temperature?.c ?? null} bandC={card.bandC} ceilingC={card.ceilingC} /> : null}
        <div className="stack stack-tight">
          {card.isWet ? <p className="vessel-temp">{print.measures.temperature === 'C' && temperature ? temperature.c.toFixed(1) : degrees}</p> : null}
          {card.isWet ? (
            <p className={`quiet small${temperature?.stale ? ' vessel-stale' : ''}`} style={{ textAlign: 'right' }}>
              {scale}, {temperature ? temperature.from : 'nobody looked yet'}
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
            <Flex component="p" gap={8} style={{ minHeight: '3em' }} className={nextCall.stop ? 'fault' : nextCall.due ? 'vessel-due' : ''}>
              {nextCall.stop ? <StopMark size={18} /> : nextCall.due ? <HandMark size={18} /> : null}
              <span style={{ flex: 1 }}>{print.says(nextCall.text)}</span> <strong>{nextCall.when}</strong>
            </Flex>
          ) : null}
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
        {picture}
        <Button className="tall" onClick={onMore} aria-label={`More acts for ${card.vessel.name}`}>
          More
          <kbd>m</kbd>
        </Button>
      </div>
      {card.vessel.probeId ? <SimPot vesselId={card.vessel.id} litres={(card.step.fit?.filledMl ?? 4000) / 1000} /> : null}
    </section>
  );
}
