'use client';
import { boilingC } from '@/core/heat/boiling';
import { type KnownPot, knobsHold, potOn } from '@/core/heat/learnPot';
import type { Reading } from '@/core/hold/credit';
import { countText } from '@/core/measure/print';
import { TemperatureChart } from '../record/TemperatureChart';
import { usePrint } from '../shell/facts';
import type { StoveCard } from './stoveView';

const MIN = 60_000;
/** As far back as it is drawn, min: about as far as one sees ahead. */
const BACK_MIN = 60;

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
  const seen = readings.filter(({ atMs }) => atMs >= nowMs - BACK_MIN * MIN);
  const ahead = heat ? heat.curve.map(({ inMin, ...band }) => ({ ...band, atMs: heat.asOfMs + inMin * MIN })) : [];
  const learnt = potOn(pots, card.vessel);
  const hasLid = heat?.hasLid ?? step.lid !== 'none';
  const holds = learnt && card.vessel.litres ? knobsHold(learnt, card.vessel.litres, hasLid, boilingC(altitudeM)) : [];
  return (
    <section className="vessel-card" aria-label={`Curve of ${step.title}`}>
      <h2>Its curve</h2>
      <div style={{ height: 320 }}>
        <TemperatureChart label={`Temperature of ${step.title}`} readings={seen} bandC={bandC} ceilingC={ceilingC} ahead={ahead} />
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
