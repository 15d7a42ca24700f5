import type { Lab } from '../colour/lab';
import { isBesideCloth } from '../fastness/parts';
import { foldPassport, type Passport, shareText, type Treatment, type TreatmentKind } from '../fibre/passport';
import { knownValue } from '../figure';
import { printDuration } from '../measure/print';
import { type ColourReading, isWithdrawn, type Light, type Look, type LookState, type Picture, type Verdict } from './look';

/** What changes a colour: after each of them a lot is another result. */
const COLOURING: readonly TreatmentKind[] = ['tannin', 'mordant', 'dye', 'iron', 'modifier'];

/** Where in a lot's life a result stands: after which treatment. */
export interface Stage {
  /** Names the step of a run, or a hand-made entry; "base" before anything was done. */
  readonly key: string;
  readonly kind: TreatmentKind | 'base';
  readonly atMs: number | null;
}

/** A colour of a swatch, with all that must be known to compare it. */
export interface SeenColour extends ColourReading {
  readonly lookId: string;
  readonly atMs: number;
  readonly state: LookState | null;
  readonly light: Light | null;
  readonly part: string | null;
}

/** A result: one lot after one treatment, folded from all looks at it. */
export interface Swatch {
  readonly id: string;
  readonly lotId: string;
  readonly stage: Stage;
  /** What was done to the lot until then. */
  readonly passport: Passport;
  /** Standing looks, in order of time. */
  readonly looks: readonly Look[];
  /** All colours read, in order of time. */
  readonly colours: readonly SeenColour[];
  /** The one that stands for it: the newest of the driest. */
  readonly colour: SeenColour | null;
  readonly pictures: readonly Picture[];
  /** The newest word on each question. */
  readonly verdict: Verdict;
  /** When it was last looked at. */
  readonly atMs: number;
}

/** The step of a run that a result came out of, by the result's id; null for what was done by hand, or not yet. */
export function stepOfResult(id: string): { readonly runId: string; readonly stepId: string } | null {
  const [, runId, stepId] = /^[^~]*~([^/]+)\/([^/]+)$/.exec(id) ?? [];
  return runId === undefined || stepId === undefined ? null : { runId, stepId };
}

const BASE: Stage = { key: 'base', kind: 'base', atMs: null };
const stepKey = (runId: string, stepId: string): string => `${runId}/${stepId}`;

function stageOf(treatment: Treatment): Stage {
  const { from } = treatment;
  return { key: 'run' in from ? stepKey(from.run, from.stepId) : treatment.id, kind: treatment.kind, atMs: treatment.atMs };
}

const isColouring = (treatment: Treatment): boolean =>
  COLOURING.includes(treatment.kind) && (treatment.certainty === 'known' || treatment.certainty === 'believed') && treatment.substance !== null;

/** After which treatment a look was: the one it was made at, else the last before it. A step that still runs is one already. */
function stageAt(look: Look, colouring: readonly Treatment[]): Stage {
  if (look.at) {
    const { runId, stepId } = look.at;
    const own = colouring.find(({ from }) => 'run' in from && from.run === runId && from.stepId === stepId);
    if (own) return stageOf(own);
    const kind = COLOURING.find((one) => one === look.step?.treatment);
    if (kind) return { key: stepKey(runId, stepId), kind, atMs: null };
  }
  const before = colouring.findLast((treatment) => (treatment.atMs ?? -Infinity) <= look.atMs);
  return before ? stageOf(before) : BASE;
}

/** Everything that was done up to and with a stage. */
function until(stage: Stage, treatments: readonly Treatment[]): readonly Treatment[] {
  if (stage.key === 'base') {
    const first = treatments.findIndex(isColouring);
    return first < 0 ? treatments : treatments.slice(0, first);
  }
  const last = treatments.findLastIndex((treatment) => stageOf(treatment).key === stage.key);
  // A step that still runs has left nothing in the passport yet: all that is there came before it.
  return last < 0 ? treatments : treatments.slice(0, last + 1);
}

const DRIEST: readonly (LookState | null)[] = ['cured', 'dry', 'rinsed', 'wet', null];

/** The colour that stands for a swatch: of the driest state there is, corrected before uncorrected, the newest. */
function standsFor(colours: readonly SeenColour[]): SeenColour | null {
  const whole = colours.filter((colour) => colour.part === null);
  const from = whole.length > 0 ? whole : colours;
  const driest = DRIEST.find((state) => from.some((colour) => colour.state === state));
  const best = from.filter((colour) => colour.state === driest);
  const sure = best.filter(isCorrected);
  return (sure.length > 0 ? sure : best).at(-1) ?? null;
}

/** Got in a way that the light does not sway. */
export const isCorrected = ({ by }: ColourReading): boolean => by.kind === 'typed' || (by.kind === 'picture' && by.card !== null);

/** The colours that were read at looks, in their order: a white cloth's beside them too. */
export const coloursIn = (looks: readonly Look[]): SeenColour[] =>
  looks.flatMap(({ id, colour, atMs, state, light, part }) => (colour ? [{ lab: colour.lab, by: colour.by, lookId: id, atMs, state, light, part }] : []));

/** Those that may be held against the last of them: of its state and part, got as surely as it was. */
export function alikeColours(colours: readonly SeenColour[]): SeenColour[] {
  const last = colours.at(-1);
  return last ? colours.filter((colour) => colour.state === last.state && colour.part === last.part && isCorrected(colour) === isCorrected(last)) : [];
}

/** Folds all looks at one lot into its results, oldest first. @param looks of this lot, in any order; withdrawn ones count for nothing */
export function swatchesOf(lotId: string, passport: Passport, looks: readonly Look[]): Swatch[] {
  const stages = new Map<string, { stage: Stage; looks: Look[] }>();
  const colouring = passport.treatments.filter(isColouring);
  for (const look of looks.filter((one) => !isWithdrawn(one)).toSorted((a, b) => a.atMs - b.atMs)) {
    const stage = stageAt(look, colouring);
    const had = stages.get(stage.key);
    if (had) had.looks.push(look);
    else stages.set(stage.key, { stage, looks: [look] });
  }
  return [...stages.values()].map(({ stage, looks: own }) => {
    const colours = coloursIn(own.filter((look) => !isBesideCloth(look.part)));
    return {
      id: `${lotId}~${stage.key}`,
      lotId,
      stage,
      passport: foldPassport(until(stage, passport.treatments)),
      looks: own,
      colours,
      colour: standsFor(colours),
      pictures: own.flatMap((look) => look.pictures),
      verdict: newestWords(own),
      atMs: own.at(-1)?.atMs ?? 0,
    };
  });
}

/** The newest answer to each question. @param looks oldest first */
function newestWords(looks: readonly Look[]): Verdict {
  const words: Record<string, string> = {};
  for (const { verdict } of looks) for (const [question, word] of Object.entries(verdict)) if (word) words[question] = word;
  return words;
}

/** By lot: the looks at it, in the order they are given in. */
export function looksByLot(looks: readonly Look[]): Map<string, Look[]> {
  const byLot = new Map<string, Look[]>();
  for (const look of looks)
    for (const lotId of look.lotIds) {
      const had = byLot.get(lotId);
      if (had) had.push(look);
      else byLot.set(lotId, [look]);
    }
  return byLot;
}

/** A lot's colour as it was read last, dry and whole; null when nobody did. @param looks at it, oldest first */
export function seenDry(looks: readonly Look[]): Lab | null {
  const last = looks.findLast((look) => look.colour !== null && look.part === null && (look.state === 'dry' || look.state === 'cured') && !isWithdrawn(look));
  return last?.colour?.lab ?? null;
}

/** What dyed it, each once, in order. */
export const dyedWith = ({ passport }: Pick<Swatch, 'passport'>): string[] => [
  ...new Set(
    passport.treatments.flatMap((treatment) => (isColouring(treatment) && treatment.kind === 'dye' && treatment.substance ? [treatment.substance] : [])),
  ),
];

/** "Weld", "Dock root, iron", "alum only", "undyed". @param gets what it gets in a trial: said where no treatment is written down */
export function swatchName(swatch: Pick<Swatch, 'passport' | 'stage' | 'looks'>, gets: string | null = null): string {
  const dyes = dyedWith(swatch);
  const after = new Set(
    swatch.passport.treatments
      .filter((treatment) => isColouring(treatment) && (treatment.kind === 'iron' || treatment.kind === 'modifier'))
      .map((treatment) => treatment.substance),
  );
  if (dyes.length > 0) return capital([dyes.join(' + '), ...after].join(', '));
  const running = swatch.looks.findLast((look) => look.step && COLOURING.some((kind) => kind === look.step?.treatment))?.step?.title;
  if (running && swatch.stage.atMs === null && swatch.stage.kind !== 'base') return running;
  const ground = new Set(swatch.passport.treatments.filter(isColouring).map((treatment) => treatment.substance));
  return ground.size > 0 ? capital(`${[...ground].join(', ')} only`) : capital(gets ?? 'undyed');
}
const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** "10 : 1, 39 min, use 2" of its last dyebath; empty when nothing of it is known. */
export function swatchDetail({ passport }: Pick<Swatch, 'passport'>): string {
  const last = passport.treatments.findLast((treatment) => isColouring(treatment));
  if (!last) return '';
  const pct = knownValue(last.wofPct);
  const { inMin, draw } = last.how ?? {};
  return [
    pct === null ? null : shareText(last.kind, pct),
    inMin === undefined ? null : printDuration(inMin),
    draw !== undefined && draw > 1 ? `use ${draw}` : null,
  ]
    .filter(Boolean)
    .join(', ');
}
