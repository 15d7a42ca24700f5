'use client';
import { useState } from 'react';
import { boilingC } from '@/core/heat/boiling';
import { type KnownPot, knobsHold, potOn } from '@/core/heat/learnPot';
import type { Reading } from '@/core/hold/credit';
import { countText } from '@/core/measure/print';
import { usePrint } from '../shell/facts';
import { TemperatureChart } from './laterParts';
import type { StoveCard } from './stoveView';

const MIN = 60_000;
/** As far back as it is drawn, min: about as far as one sees ahead. */
const BACK_MIN = 60;
/** Drawn anew so often at the most: over two hours nobody sees less. */
const DRAWN_EACH_MS = 10_000;

interface Props {
  readonly card: StoveCard;
  readonly readings: readonly Reading[];
  /** What one's own pots taught. */
  readonly pots: readonly KnownPot[];
  readonly altitudeM: number;
  readonly nowMs: number;
}

/** One pot alone has room for its curve: the last hour, and what comes if it is left alone. */
export function HeatCurve({ card, readings, pots, altitudeM, nowMs }: Props) {
  const print = usePrint();
  const { heat, step, bandC, ceilingC } = card;
  // A temperature that a hand typed shows at once.
  const slot = `${Math.floor(nowMs / DRAWN_EACH_MS)}/${card.state.typedC.length}`;
  const draw = () => ({
    slot,
    label: `Temperature of ${step.title}`,
    readings: readings.filter(({ atMs }) => atMs >= nowMs - BACK_MIN * MIN),
    bandC,
    ceilingC,
    ahead: heat ? heat.curve.map(({ inMin, ...band }) => ({ ...band, atMs: heat.asOfMs + inMin * MIN })) : [],
  });
  const [drawn, setDrawn] = useState(draw);
  if (drawn.slot !== slot || drawn.bandC !== bandC || drawn.ceilingC !== ceilingC) setDrawn(draw());
  const learnt = potOn(pots, card.vessel);
  const hasLid = heat?.hasLid ?? step.lid !== 'none';
  const holds = learnt && card.vessel.litres ? knobsHold(learnt, card.vessel.litres, hasLid, boilingC(altitudeM)) : [];
  return (
    <section className="vessel-card" aria-label={`Curve of ${step.title}`}>
      <h2>Its curve</h2>
      <div style={{ height: 320 }}>
        <TemperatureChart {...drawn} />
      </div>
      <p className="quiet small">
        {heat
          ? 'Dashed: left alone, as it is set now. The grey about it holds in about 80 of 100 pots.'
          : bandC
            ? 'A few readings more on the heat, and it is said what comes.'
            : ''}
      </p>
      {learnt ? (
        <p className="small">
          Learnt from {countText(learnt.n, 'curve')} of this pot
          {holds
            .map(
              ({ knob, c, offC }) =>
                `; knob ${knob} holds about ${print.band([Math.round(c - Math.max(1, offC)), Math.round(c + Math.max(1, offC))])} ${hasLid ? 'with its lid' : 'without a lid'}`,
            )
            .join('')}
          .
        </p>
      ) : null}
    </section>
  );
}
