import type { Lot } from '../fibre/lot';
import { type Certainty, type Passport, QUESTIONS, type Treatment } from '../fibre/passport';
import { knownValue } from '../figure';

/** One factor of two lots side by side. What is only believed can never be called the same, nor different. */
export interface Factor {
  readonly what: string;
  readonly a: string;
  readonly b: string;
  readonly verdict: 'same' | 'differs' | 'cannotTell';
}

export interface Comparison {
  readonly factors: readonly Factor[];
  readonly differs: number;
  readonly cannotTell: number;
  /** May a difference in colour be put down to one thing? */
  readonly says: string;
}

const SURE: readonly Certainty[] = ['known', 'noneOnPurpose'];
const TREATMENT_NAMES = { scour: 'scour', tannin: 'tannin', mordant: 'mordant', dye: 'dye' } as const;
/** Percentages closer than this are the same hand, % WOF. */
const SAME_PCT = 0.5;

/** Two lots, factor by factor. */
export function compareLots(a: Pick<Lot, 'composition' | 'finishes' | 'form'> & { passport: Passport }, b: typeof a): Comparison {
  const factors: Factor[] = [
    plain('fibre', blend(a), blend(b)),
    plain('finish', a.finishes === null ? null : a.finishes.join(', ') || 'none', b.finishes === null ? null : b.finishes.join(', ') || 'none'),
    plain('form', a.form, b.form),
    ...QUESTIONS.map((question) => treatmentFactor(question, a.passport, b.passport)),
  ];
  const differs = factors.filter((factor) => factor.verdict === 'differs').length;
  const cannotTell = factors.filter((factor) => factor.verdict === 'cannotTell').length;
  return { factors, differs, cannotTell, says: verdictText(differs, cannotTell) };
}

function verdictText(differs: number, cannotTell: number): string {
  if (cannotTell > 0)
    return `${cannotTell} ${cannotTell === 1 ? 'thing is' : 'things are'} not known of both: a difference in colour cannot be put down to anything here.`;
  if (differs === 0) return 'Nothing that is written down differs.';
  if (differs === 1) return 'One thing differs: a fair comparison.';
  return `${differs} things differ: a difference in colour cannot be put down to any one of them.`;
}

const blend = (lot: Pick<Lot, 'composition'>): string | null =>
  lot.composition.length === 0
    ? null
    : lot.composition
        .toSorted((x, y) => (x.fibre < y.fibre ? -1 : 1))
        .map((share) => `${share.pct} % ${share.fibre}`)
        .join(', ');

const plain = (what: string, a: string | null, b: string | null): Factor => ({
  what,
  a: a ?? 'unknown',
  b: b ?? 'unknown',
  verdict: a === null || b === null ? 'cannotTell' : a === b ? 'same' : 'differs',
});

function treatmentFactor(question: keyof typeof TREATMENT_NAMES, a: Passport, b: Passport): Factor {
  const [stateA, stateB] = [a.state[question], b.state[question]];
  const base = { what: TREATMENT_NAMES[question], a: words(question, a), b: words(question, b) };
  if (!SURE.includes(stateA) || !SURE.includes(stateB)) return { ...base, verdict: 'cannotTell' };
  if (stateA !== stateB) return { ...base, verdict: 'differs' };
  if (stateA === 'noneOnPurpose') return { ...base, verdict: 'same' };
  return { ...base, verdict: sameTreatments(own(question, a), own(question, b)) };
}

const own = (question: string, passport: Passport): readonly Treatment[] =>
  passport.treatments.filter((t) => t.certainty === 'known' && (t.kind === question || (question === 'mordant' && t.kind === 'iron')));

function sameTreatments(a: readonly Treatment[], b: readonly Treatment[]): Factor['verdict'] {
  if (a.length !== b.length) return 'differs';
  let unsure = false;
  for (const [i, one] of a.entries()) {
    const other = b[i];
    if (!other || one.substance !== other.substance || (one.part ?? null) !== (other.part ?? null)) return 'differs';
    const [pctA, pctB] = [knownValue(one.wofPct), knownValue(other.wofPct)];
    // No weight on either side is the same only where none is ever asked, or where both went through one bath.
    if (pctA === null && pctB === null) unsure ||= one.kind !== 'scour' && !sameBath(one, other);
    else if (pctA === null || pctB === null) unsure = true;
    else if (Math.abs(pctA - pctB) > SAME_PCT) return 'differs';
  }
  return unsure ? 'cannotTell' : 'same';
}

const sameBath = ({ from: a }: Treatment, { from: b }: Treatment): boolean => 'run' in a && 'run' in b && a.run === b.run && a.stepId === b.stepId;

function words(question: string, passport: Passport): string {
  const state = passport.state[question as keyof Passport['state']];
  if (state === 'noneOnPurpose') return 'none, on purpose';
  if (state === 'unknown') return 'unknown';
  const said = passport.treatments
    .filter((t) => t.kind === question || (question === 'mordant' && t.kind === 'iron'))
    .map((t) => {
      const pct = knownValue(t.wofPct);
      return `${t.substance ?? 'done'}${pct === null ? '' : ` ${Math.round(pct * 10) / 10} %`}${t.part ? ` (${t.part})` : ''}`;
    })
    .join(', then ');
  return `${state === 'believed' ? 'believed: ' : ''}${said || 'done'}`;
}
