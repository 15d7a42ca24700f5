'use client';
import { Button, Drawer } from 'antd';
import { useEffect } from 'react';
import { countdownText, type DipNow, LAST_S, overText, secondsLeft } from '@/core/run/dips';
import { StopMark } from '../shell/Marks';
import { CallAloud } from './CallAloud';
import { nextAct, type StoveAct, type StoveCard } from './stoveView';
import type { Calls } from './useCalls';
import { useWakeLock } from './useWakeLock';

export interface Dip {
  readonly card: StoveCard;
  readonly dip: DipNow;
}

interface Props {
  readonly dips: readonly Dip[];
  readonly calls: Calls;
  readonly onAct: (act: StoveAct, card: StoveCard) => void;
  readonly onClose: () => void;
}

/** Nothing but the countdown: readable from three metres, one tap to say that it was lifted. Two dips share the screen. */
export function DipScreen({ dips, calls, onAct, onClose }: Props) {
  useWakeLock(true);
  const seconds = Math.min(...dips.map(({ dip }) => secondsLeft(dip.leftMs)));
  const { tick } = calls;
  // The last ten are counted aloud too, where this device calls.
  useEffect(() => {
    if (seconds > 0 && seconds <= LAST_S) tick();
  }, [seconds, tick]);
  return (
    <Drawer
      open
      placement="bottom"
      size="100%"
      title={`Countdown: ${dips.map(({ card }) => card.step.title).join(' and ')}`}
      onClose={onClose}
      closable={{ placement: 'end', 'aria-label': 'Back to the stove' }}
      extra={<CallAloud calls={calls} />}
      styles={{ body: { padding: 0 } }}
    >
      <div className="dips">
        {dips.map((one) => (
          <OneDip key={one.dip.stepId} {...one} onAct={onAct} />
        ))}
      </div>
    </Drawer>
  );
}

function OneDip({ card, dip, onAct }: Dip & { readonly onAct: Props['onAct'] }) {
  const over = overText(dip, card.step.treatment);
  const isOver = dip.leftMs <= 0;
  const next = nextAct(card.step, card.clock);
  return (
    <section className={`dip${isOver ? ' dip-over' : dip.leftMs <= LAST_S * 1000 ? ' dip-last' : ''}`} aria-label={`${card.vessel.name}: ${card.step.title}`}>
      <p className="line line-tight dip-act">
        {isOver ? <StopMark size={40} /> : null} {isOver ? 'Lift now' : dip.act}, {card.vessel.name}
      </p>
      <p className="dip-count" role="timer" aria-live="off">
        {countdownText(dip.leftMs)}
      </p>
      <p className="dip-over-text">{over ?? ''}</p>
      <Button type={isOver ? 'primary' : 'default'} size="large" block className="tall" style={{ maxWidth: 480 }} onClick={() => onAct(next, card)}>
        {next.label}
      </Button>
    </section>
  );
}
