import type { StepFacts } from './facts';
import type { Finding } from './finding';

export type Said = Pick<Finding, 'severity' | 'text'>;

/** One rule of the safety handbook: what it looks at, and what it says. Rules are data: a table that tests walk through. */
export interface Rule {
  /** The handbook's own number: R for rules, X for combinations, P for processes. */
  readonly id: string;
  readonly about: string;
  readonly check: (facts: StepFacts) => readonly Said[];
}

export const stop = (text: string): Said[] => [{ severity: 'stop', text }];
export const stopUnlessReason = (text: string): Said[] => [{ severity: 'stopUnlessReason', text }];
export const caution = (text: string): Said[] => [{ severity: 'caution', text }];
export const note = (text: string): Said[] => [{ severity: 'note', text }];
export const clear: readonly Said[] = [];
