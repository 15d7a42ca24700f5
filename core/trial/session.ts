import type { Way } from '../method/data/ways';
import { type Method, STAGES, type StepKind } from '../method/method';
import type { ChainItem } from '../plan/draft';
import type { LevelHow, Trial, TrialPiece } from './trial';

/** From the plant to the fibre out of the bath: where one of them differs, all of them are done apart. */
const BATH_STAGES: readonly StepKind[] = ['extract', 'strain', 'dye', 'solar'];

interface Ids {
  next(): string;
}

/**
 * The steps of a trial as a session's: what is alike for all is one step and one bath; what differs is a step for the
 * pieces that get it. A figure or a plant of the bath itself makes a bath of its own.
 */
export function trialChain(trial: Pick<Trial, 'factors' | 'pieces' | 'dyestuffId'>, way: Way, find: (methodId: string) => Method | undefined): ChainItem[] {
  const pieces = trial.pieces.filter((piece) => piece.cell !== null);
  let count = 0;
  const ids: Ids = { next: () => `c${++count}` };
  const stageOf = (methodId: string) => find(methodId)?.stage ?? null;
  const swapped = stepStages(trial);
  const plan = withStages(
    way.steps.map(({ methodId }) => methodId),
    swapped,
    stageOf,
  );
  const baths = bathsOf(trial, pieces);
  const made = new Map<Bath, string[]>();
  return plan.flatMap((entry): ChainItem[] => {
    if ('stage' in entry) return levelSteps(trial, pieces, entry.stage, ids);
    const method = find(entry.methodId);
    const stage = method?.stage ?? null;
    const item = (lots: readonly TrialPiece[] | null, more: Partial<ChainItem> = {}): ChainItem => ({
      id: ids.next(),
      methodId: entry.methodId,
      params: figuresAt(trial, lots ?? pieces, stage),
      dyestuffId: method?.needsDyestuff ? trial.dyestuffId : null,
      ...(lots === null ? {} : { lotIds: lots.map(({ lotId }) => lotId) }),
      ...more,
    });
    // A rest in the bath belongs to the bath, whatever its stage is called.
    const isInBath = stage !== null && (BATH_STAGES.includes(stage) || method?.steps[0]?.where === 'same');
    if (baths.length < 2 || !isInBath) return [item(null)];
    return baths.map((bath) => {
      const own = item(bath.pieces, method?.needsDyestuff ? { dyestuffId: bath.dyestuffId ?? trial.dyestuffId } : {});
      const had = made.get(bath) ?? [];
      if (stage === 'extract') made.set(bath, [...had, own.id]);
      return stage !== 'extract' && had.length > 0 ? { ...own, bathFrom: had } : own;
    });
  });
}

interface Bath {
  readonly pieces: readonly TrialPiece[];
  readonly dyestuffId: string | null;
}

const howOf = (trial: Pick<Trial, 'factors'>, piece: TrialPiece, factor: number): LevelHow | undefined =>
  trial.factors[factor]?.levels[piece.cell?.[factor] ?? 0]?.how;

const splitsBath = (how: LevelHow | undefined): boolean => how?.kind === 'dyestuff' || (how?.kind === 'figure' && BATH_STAGES.includes(how.stage));

/** Pieces that may share a bath: alike in all that makes one. */
function bathsOf(trial: Pick<Trial, 'factors'>, pieces: readonly TrialPiece[]): Bath[] {
  const baths = new Map<string, TrialPiece[]>();
  for (const piece of pieces) {
    const key = trial.factors.map((_, i) => (splitsBath(howOf(trial, piece, i)) ? piece.cell?.[i] : '')).join('.');
    baths.set(key, [...(baths.get(key) ?? []), piece]);
  }
  // In the order of the levels, not of the codes.
  const inOrder = [...baths].toSorted(([a], [b]) => a.localeCompare(b, 'en', { numeric: true }));
  return inOrder.map(([, own]) => ({ pieces: own, dyestuffId: dyestuffOf(trial, own[0]) }));
}

/** How many dyebaths a trial needs. */
export const bathCount = (trial: Pick<Trial, 'factors'>, pieces: readonly TrialPiece[]): number => bathsOf(trial, pieces).length;

function dyestuffOf(trial: Pick<Trial, 'factors'>, piece: TrialPiece | undefined): string | null {
  for (let i = 0; piece && i < trial.factors.length; i++) {
    const how = howOf(trial, piece, i);
    if (how?.kind === 'dyestuff') return how.dyestuffId;
  }
  return null;
}

/** Figures that a level sets at a stage, where all these pieces have the same. */
function figuresAt(trial: Pick<Trial, 'factors'>, pieces: readonly TrialPiece[], stage: StepKind | null): ChainItem['params'] {
  const params: Record<string, number> = {};
  const [first] = pieces;
  for (let i = 0; first && i < trial.factors.length; i++) {
    const how = howOf(trial, first, i);
    if (how?.kind === 'figure' && how.stage === stage && pieces.every((piece) => piece.cell?.[i] === first.cell?.[i])) params[how.param] = how.value;
  }
  return params;
}

/** Stages that a factor does in one way or another. */
const stepStages = (trial: Pick<Trial, 'factors'>): StepKind[] => [
  ...new Set(trial.factors.flatMap(({ levels }) => levels.flatMap(({ how }) => (how.kind === 'step' ? [how.stage] : [])))),
];

type Entry = { readonly methodId: string } | { readonly stage: StepKind };

/** The way's steps, with a factor's stage in the place of the way's own, or where it belongs in the order of work. */
function withStages(base: readonly string[], swapped: readonly StepKind[], stageOf: (methodId: string) => StepKind | null): Entry[] {
  const entries: Entry[] = base.filter((methodId) => !swapped.some((stage) => stage === stageOf(methodId))).map((methodId) => ({ methodId }));
  for (const stage of swapped) {
    const order = STAGES.indexOf(stage);
    const orderOf = (entry: Entry) => {
      const own = 'stage' in entry ? entry.stage : stageOf(entry.methodId);
      return own === null ? -1 : STAGES.indexOf(own);
    };
    const after = entries.findLastIndex((entry) => orderOf(entry) <= order);
    entries.splice(after + 1, 0, { stage });
  }
  return entries;
}

/** One step for each level that does something at a stage, for the pieces of that level. */
function levelSteps(trial: Pick<Trial, 'factors'>, pieces: readonly TrialPiece[], stage: StepKind, ids: Ids): ChainItem[] {
  return trial.factors.flatMap((factor, i) =>
    factor.levels.flatMap(({ how }, level) => {
      const own = pieces.filter((piece) => piece.cell?.[i] === level);
      if (how.kind !== 'step' || how.stage !== stage || how.methodId === null || own.length === 0) return [];
      return [{ id: ids.next(), methodId: how.methodId, params: how.params, dyestuffId: how.dyestuffId ?? null, lotIds: own.map(({ lotId }) => lotId) }];
    }),
  );
}
