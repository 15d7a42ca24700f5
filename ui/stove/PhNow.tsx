'use client';
import { phAimText } from '@/core/plan/phAim';
import { PhChart } from '../record/PhChart';
import type { StoveCard } from './stoveView';

/** The strips of a bath against its aim, as a curve beside its pot. */
export const PhNow = ({ card: { step, state } }: { readonly card: StoveCard }) => (
  <section className="vessel-card" aria-label={`pH of ${step.title}`}>
    <h2>Its pH</h2>
    <div style={{ height: 220 }}>
      <PhChart label={`pH of ${step.title}`} strips={state.ph} aim={step.phAim ?? null} />
    </div>
    <p className="quiet small">{step.phAim ? `Grey strip: the aim, ${phAimText(step.phAim)}.` : 'No aim was set.'}</p>
  </section>
);
