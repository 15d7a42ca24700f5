import { difference } from '../colour/difference';
import { deltaE00, type Lab } from '../colour/lab';
import { countText } from '../measure/print';
import type { LookState } from '../swatch/look';
import { type Effect, type Effects, effectsOf, type Part } from './effects';
import { type Cell, cellKey, cellText, type TrialFactor, type TrialPiece } from './trial';

/** A piece and the colour that stands for it so far. */
export interface PieceSeen extends TrialPiece {
  readonly lab: Lab | null;
  readonly state: LookState | null;
}

/** What a trial tells so far. */
export interface Tells {
  readonly lines: readonly Tell[];
  /** Neighbours on a ladder that an eye does not part. */
  readonly tooClose: readonly string[];
  /** What cannot be told, or not yet, and why. */
  readonly notTold: readonly string[];
  /** Pieces that count, and all that are no controls. */
  readonly seen: number;
  readonly of: number;
}

export interface Tell {
  readonly factor: string;
  /** "16 % instead of 10 %" */
  readonly what: string;
  /** "clearly darker, much yellower" */
  readonly says: string;
  readonly l: Part;
  readonly a: Part;
  readonly b: Part;
}

/** Below this nobody tells two colours apart. */
const SAME_E = 1;
const DRIEST: readonly LookState[] = ['cured', 'dry', 'rinsed', 'wet'];

export function tellsOf(factors: readonly TrialFactor[], pieces: readonly PieceSeen[]): Tells {
  const asked = pieces.filter((piece): piece is PieceSeen & { cell: Cell } => piece.cell !== null);
  const withColour = asked.flatMap((piece) => (piece.lab ? [{ ...piece, lab: piece.lab }] : []));
  // Wet is never held against dry: the driest that most are in counts.
  const state = DRIEST.toSorted((x, y) => countIn(withColour, y) - countIn(withColour, x))[0] ?? null;
  const some = withColour.some((piece) => piece.state !== null);
  const seen = some ? withColour.filter((piece) => piece.state === state) : withColour;
  const left = withColour.length - seen.length;
  const levels = factors.map((factor) => factor.levels.length);
  const effects = effectsOf(levels, seen);
  return {
    lines: effects.all.flatMap((effect) => lineOf(factors, effect, effects)),
    tooClose: closeSteps(factors, seen),
    notTold: [
      ...notYet(factors, effects),
      ...(effects.depends ? ['One thing works differently by another here: the figures are its middle. Look at the grid itself.'] : []),
      ...(effects.scatter === null && seen.length > 1 ? ['One piece of each: how sure a difference is, is not known.'] : []),
      ...(left > 0 && state ? [`${countText(left, 'piece')} not looked at ${state} ${left === 1 ? 'is' : 'are'} left out: wet is not held against dry.`] : []),
    ],
    seen: seen.length,
    of: asked.length,
  };
}

const countIn = (pieces: readonly PieceSeen[], state: LookState): number => pieces.filter((piece) => piece.state === state).length;

function lineOf(factors: readonly TrialFactor[], { factor, from, to, found }: Effect, effects: Effects): Tell[] {
  const own = factors[factor];
  if (!own || !found) return [];
  const { l, a, b, labFrom, labTo } = found;
  const isSure = [l, a, b].some((part) => part.pm !== null && Math.abs(part.value) > part.pm + 1e-9);
  const seen = difference(labFrom, labTo);
  const says = effects.scatter !== null && !isSure ? 'cannot be told apart: the pieces of one cell differ as much' : seen.words;
  return [{ factor: own.name, what: `${own.levels[to]?.name} instead of ${own.levels[from]?.name}`, says, l, a, b }];
}

/** Levels that nothing tells of yet; neighbours are told with them. */
const notYet = (factors: readonly TrialFactor[], { all }: Effects): string[] => {
  const open = all.filter(({ from, found }) => from === 0 && found === null).map(({ factor, to }) => factors[factor]?.levels[to]?.name ?? '');
  return open.length === 0 ? [] : [`Not told yet: ${open.join(', ')}. The cells that would tell are not looked at.`];
};

/** Steps of a ladder: a factor of three levels or more, or of figures. */
const isLadder = ({ levels }: TrialFactor): boolean => levels.length > 2 || levels.every(({ how }) => how.kind === 'figure');

function closeSteps(factors: readonly TrialFactor[], seen: readonly { cell: Cell; lab: Lab }[]): string[] {
  const means = new Map<string, Lab>();
  const groups = new Map<string, { cell: Cell; labs: Lab[] }>();
  for (const { cell, lab } of seen) {
    const group = groups.get(cellKey(cell)) ?? { cell, labs: [] };
    group.labs.push(lab);
    groups.set(cellKey(cell), group);
  }
  const mean = (labs: readonly Lab[], axis: keyof Lab) => labs.reduce((sum, lab) => sum + lab[axis], 0) / labs.length;
  for (const [key, { labs }] of groups) means.set(key, { l: mean(labs, 'l'), a: mean(labs, 'a'), b: mean(labs, 'b') });
  return factors.flatMap((factor, i) =>
    isLadder(factor)
      ? [...groups.values()].flatMap(({ cell }) => {
          const level = cell[i] ?? 0;
          const [here, next] = [means.get(cellKey(cell)), means.get(cellKey(cell.with(i, level + 1)))];
          const apart = here && next ? deltaE00(here, next) : SAME_E;
          if (apart >= SAME_E) return [];
          const others = factors.toSpliced(i, 1);
          const place = others.length > 0 ? ` (${cellText(others, cell.toSpliced(i, 1))})` : '';
          return [
            `${factor.levels[level]?.name} and ${factor.levels[level + 1]?.name}${place}: ${apart.toFixed(1)} apart. They cannot be told apart: wider steps, or a weaker bath, would part them.`,
          ];
        })
      : [],
  );
}
