import type { Lot } from '../fibre/lot';
import { type Certainty, type How, type Passport, QUESTIONS, shareText, type Treatment, type TreatmentKind } from '../fibre/passport';
import { knownValue } from '../figure';
import { countText, printDuration, printNumber, printTemperature, printVolume } from '../measure/print';

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
/** And so are weights of dyestuff this close to each other. */
const SAME_SHARE = 0.03;

/** As much of a lot as is compared; `from`: what it was split from, where somebody kept that. */
type Compared = Pick<Lot, 'composition' | 'finishes' | 'form' | 'baseHex'> & { readonly passport: Passport; readonly from?: readonly string[] | undefined };

/** Two lots, factor by factor. */
export function compareLots(a: Compared, b: Compared): Comparison {
  const isOneWhole = (a.from?.length ?? 0) > 0 && isDeepEqual(a.from ?? [], b.from ?? []);
  const factors: Factor[] = [
    plain('fibre', blend(a), blend(b)),
    plain('finish', a.finishes === null ? null : a.finishes.join(', ') || 'none', b.finishes === null ? null : b.finishes.join(', ') || 'none'),
    plain('form', a.form, b.form),
    // A colour that nobody wrote down on either side is no row: only what is written down can be counted.
    ...(a.baseHex === null && b.baseHex === null ? [] : [plain('colour before', a.baseHex, b.baseHex)]),
    ...QUESTIONS.map((question) => treatmentFactor(question, a.passport, b.passport, isOneWhole)),
    ...OTHERS.flatMap((kind) => otherFactor(kind, a.passport, b.passport)),
    ...bathFactor(a.passport, b.passport),
    ...howFactors(a.passport, b.passport),
    ...orderFactor(a.passport, b.passport),
    ...gapFactor(a.passport, b.passport),
  ];
  const differs = factors.filter((factor) => factor.verdict === 'differs').length;
  const cannotTell = factors.filter((factor) => factor.verdict === 'cannotTell').length;
  return { factors, differs, cannotTell, says: verdictText(differs, cannotTell) };
}

/** Everything of a lot that a comparison looks at, in words. */
export const factorsOf = (lot: Compared): (readonly [what: string, says: string])[] => {
  const alone = { ...lot, from: [] };
  return compareLots(alone, alone).factors.map(({ what, a }) => [what, a] as const);
};

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

const isDeepEqual = (a: readonly string[], b: readonly string[]): boolean => a.length === b.length && a.every((one, i) => one === b[i]);

/** @param isOneWhole both were split from one lot: what nobody knows of it is the same unknown for both */
function treatmentFactor(question: keyof typeof TREATMENT_NAMES, a: Passport, b: Passport, isOneWhole: boolean): Factor {
  const [stateA, stateB] = [a.state[question], b.state[question]];
  const base = { what: TREATMENT_NAMES[question], a: words(question, a), b: words(question, b) };
  const untouched = isOneWhole && stateA === stateB && base.a === base.b && [a, b].every((passport) => own(question, passport).length === 0);
  if (untouched && !SURE.includes(stateA)) return { ...base, a: `${base.a}, of one whole`, b: `${base.b}, of one whole`, verdict: 'same' };
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
    else if (Math.abs(pctA - pctB) > Math.max(SAME_PCT, Math.max(pctA, pctB) * SAME_SHARE)) return 'differs';
  }
  return unsure ? 'cannotTell' : 'same';
}

/** What else is done to goods: a row as soon as it stands in one of the two passports. */
const OTHERS: readonly TreatmentKind[] = ['resist', 'modifier', 'rest', 'rinse', 'wash', 'dry', 'cure'];

function otherFactor(kind: TreatmentKind, a: Passport, b: Passport): Factor[] {
  const [as, bs] = [a, b].map((passport) => passport.treatments.filter((t) => t.kind === kind)) as [Treatment[], Treatment[]];
  if (as.length === 0 && bs.length === 0) return [];
  const said = (all: readonly Treatment[]) =>
    all.map((t) => [t.substance, t.kind === 'modifier' ? t.note : '', t.part].filter(Boolean).join(', ') || 'done').join(', then ') || 'not written down';
  const base = { what: kind, a: said(as), b: said(bs) };
  if ([...as, ...bs].some((t) => t.certainty !== 'known')) return [{ ...base, verdict: 'cannotTell' }];
  // Of a modifier its minutes and its pH count as much as what was in it.
  const detail = kind === 'modifier' && base.a !== base.b ? 'differs' : sameTreatments(as, bs);
  return [{ ...base, verdict: as.length === bs.length && NO_AMOUNT.includes(kind) && detail === 'cannotTell' ? 'same' : detail }];
}
/** Nobody weighs anything for these. */
const NO_AMOUNT: readonly TreatmentKind[] = ['resist', 'rest', 'rinse', 'wash', 'dry', 'cure', 'modifier'];

const dyes = (passport: Passport): readonly Treatment[] => passport.treatments.filter((t) => t.kind === 'dye' && t.certainty === 'known' && 'run' in t.from);

/** Two skeins of one bath, or of two that were made alike. */
function bathFactor(a: Passport, b: Passport): Factor[] {
  const [x, y] = [dyes(a), dyes(b)];
  const [first, second] = [x[0], y[0]];
  if (!first || !second) return [];
  const same = x.length === y.length && x.every((one, i) => y[i] !== undefined && sameBath(one, y[i]));
  // Made alike it has the same name, and is another all the same.
  const other = second.note && second.note !== first.note ? `another: ${second.note}` : 'another';
  return [{ what: 'dyebath', a: first.note || 'its own', b: same ? 'the same' : other, verdict: same ? 'same' : 'differs' }];
}

/** Closer than this is the same hand, or the same strip and thermometer: common practice, no source. */
const SAME_MIN = 2;
const SAME_HOT_K = 2;
const SAME_PH = 0.3;
const SAME_VOLUME = 0.05;

/** How the dyeing was done, beside what with: preparation, which use of the bath, where, how long. A row as soon as one of the two says. */
function howFactors(a: Passport, b: Passport): Factor[] {
  const [x, y] = [dyes(a), dyes(b)];
  const rows: Factor[] = [];
  const row = (what: string, of: (treatment: Treatment) => string | undefined) => {
    const said = (all: readonly Treatment[]) => [...new Set(all.flatMap((one) => of(one) ?? []))].join(', ');
    const [left, right] = [said(x), said(y)];
    if (left !== '' || right !== '') rows.push(plain(what, left || null, right || null));
  };
  row('preparation', (one) => one.how?.preparation);
  row('which use of the bath', (one) => (one.how?.draw === undefined ? undefined : ordinal(one.how.draw)));
  row('place', (one) => one.how?.place);
  row('rolled', (one) => one.how?.rolled);
  row('barrier', (one) => one.how?.barrier);
  const minutes = measuredFactor(
    'in the bath',
    x,
    y,
    (how) => how.inMin,
    printDuration,
    () => SAME_MIN,
  );
  rows.push(
    ...minutes,
    // Longer in is longer held: one difference is counted once.
    ...(minutes[0]?.verdict === 'differs'
      ? []
      : measuredFactor(
          'held in the band',
          x,
          y,
          (how) => how.heldMin,
          printDuration,
          () => SAME_MIN,
        )),
    ...measuredFactor(
      'highest temperature',
      x,
      y,
      (how) => how.hottestC,
      printTemperature,
      () => SAME_HOT_K,
    ),
    ...measuredFactor(
      'pH of the bath',
      x,
      y,
      (how) => how.ph,
      printNumber,
      () => SAME_PH,
    ),
    ...volumeFactors(x, y),
  );
  return rows;
}

/** How much of a bath there was, and how much of it was poured in later: a row as soon as one of the two got any. What was topped up is more water: counted once. */
function volumeFactors(a: readonly Treatment[], b: readonly Treatment[]): Factor[] {
  const near = (most: number) => most * SAME_VOLUME;
  const gotWater = [...a, ...b].some(({ how }) => (how?.toppedUpMl ?? 0) > 0);
  const poured = gotWater
    ? measuredFactor(
        'topped up with water',
        a,
        b,
        (how) => how.toppedUpMl,
        (mL) => (mL === 0 ? 'not at all' : printVolume(mL)),
        near,
      )
    : [];
  if (poured[0]?.verdict === 'differs') return poured;
  return [...poured, ...measuredFactor('volume of the bath', a, b, (how) => how.bathMl, printVolume, near)];
}

/** A figure of each dyebath, in order. A row as soon as one of the two has it; measured of one alone, nobody can tell. */
function measuredFactor(
  what: string,
  a: readonly Treatment[],
  b: readonly Treatment[],
  of: (how: How) => number | undefined,
  print: (value: number) => string,
  tolerance: (most: number) => number,
): Factor[] {
  const figures = (all: readonly Treatment[]) => [...new Map(all.map((one) => [stepOf(one), one.how && of(one.how)])).values()];
  const [x, y] = [figures(a), figures(b)];
  if ([...x, ...y].every((value) => value === undefined)) return [];
  const text = (all: readonly (number | undefined)[]) => all.map((value) => (value === undefined ? 'unknown' : print(value))).join(', then ') || 'unknown';
  const isUnknown = x.length === 0 || y.length === 0 || [...x, ...y].some((value) => value === undefined);
  const isNear = (one: number, other: number) => Math.abs(one - other) <= tolerance(Math.max(one, other)) + ROUNDING;
  const isSame = x.length === y.length && x.every((value, i) => isNear(value ?? 0, y[i] ?? 0));
  return [{ what, a: text(x), b: text(y), verdict: isUnknown ? 'cannotTell' : isSame ? 'same' : 'differs' }];
}
/** A threshold met exactly is met. */
const ROUNDING = 1e-9;

const stepOf = ({ from, id }: Treatment): string => ('run' in from ? `${from.run}/${from.stepId}` : id);
const ordinal = (n: number): string => (n === 1 ? 'first' : n === 2 ? 'second' : n === 3 ? 'third' : `${n}th`);

/** In which order the known treatments came. */
function orderFactor(a: Passport, b: Passport): Factor[] {
  const order = (passport: Passport) => passport.treatments.filter((t) => t.certainty === 'known' && t.atMs !== null).map((t) => t.kind);
  const [x, y] = [order(a), order(b)];
  // Different treatments have rows of their own; here only the same ones in another order count.
  if (x.length < 2 || x.toSorted().join() !== y.toSorted().join()) return [];
  return [{ what: 'order', a: x.join(', '), b: y.join(', '), verdict: x.join() === y.join() ? 'same' : 'differs' }];
}

const DAY_MS = 86_400_000;
/** How long mordanted goods waited for their dye; a day more or less is the same. */
function gapFactor(a: Passport, b: Passport): Factor[] {
  const days = (passport: Passport): number | null => {
    const last = (kinds: readonly TreatmentKind[]) => passport.treatments.findLast((t) => kinds.includes(t.kind) && t.certainty === 'known')?.atMs ?? null;
    const [mordanted, dyed] = [last(['mordant', 'iron']), last(['dye'])];
    return mordanted === null || dyed === null ? null : (dyed - mordanted) / DAY_MS;
  };
  const [x, y] = [days(a), days(b)];
  if (x === null || y === null) return [];
  const said = (d: number) => (Math.abs(d) < 1 ? 'within a day' : `${countText(Math.round(Math.abs(d)), 'day')} ${d < 0 ? 'after the dye' : 'before the dye'}`);
  return [{ what: 'mordanted', a: said(x), b: said(y), verdict: Math.abs(x - y) > 1 ? 'differs' : 'same' }];
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
      return `${t.substance ?? 'done'}${pct === null ? '' : ` ${shareText(t.kind, pct)}`}${t.part ? ` (${t.part})` : ''}`;
    })
    .join(', then ');
  return `${state === 'believed' ? 'believed: ' : ''}${said || 'done'}`;
}
