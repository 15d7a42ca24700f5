import { seededChance } from '../chance';
import { cellsOf } from './design';
import type { Cell, Design, TrialFactor, TrialPiece } from './trial';

/** No letter and no digit that is taken for another on a wet label: no I, O, Q, S, Z, no 0, 1, 2, 5. */
const LETTERS = [...'ABCDEFGHJKLMNPRTUVWXY'];
const DIGITS = [...'346789'];

/** In an order that nobody chose (Fisher–Yates). @param chance 0 to 1, handed in */
export function shuffled<T>(all: readonly T[], chance: () => number): T[] {
  const mixed = [...all];
  for (let i = mixed.length - 1; i > 0; i--) {
    const j = Math.floor(chance() * (i + 1));
    [mixed[i], mixed[j]] = [mixed[j] as T, mixed[i] as T];
  }
  return mixed;
}

/** "K4", each once; beyond 126 pieces with two digits, "K46". */
export function codes(count: number, chance: () => number): string[] {
  const short = LETTERS.flatMap((letter) => DIGITS.map((digit) => letter + digit));
  const all = count <= short.length ? short : short.flatMap((code) => DIGITS.map((digit) => code + digit));
  return shuffled(all, chance).slice(0, count);
}

/** Pieces of a trial, by the lot that each is cut from. */
export interface Cut {
  readonly lotId: string;
  readonly pieces: readonly Omit<TrialPiece, 'lotId'>[];
}

/** What is to be cut, of which lot: each cell as often as it is repeated, and the controls, spread over the lots. */
export function cutsOf(
  asked: {
    readonly factors: readonly TrialFactor[];
    readonly design: Design;
    readonly repeats: number;
    readonly controls: number;
    readonly lotId: string;
  },
  seed: number,
): Cut[] {
  const { factors, design, repeats, controls, lotId } = asked;
  const chance = seededChance(seed);
  const cells = cellsOf(
    design,
    factors.map(({ levels }) => levels.length),
  );
  const lots = lotsOf(factors, lotId);
  const wanted = [
    ...cells.flatMap((cell) => Array.from({ length: repeats }, () => ({ cell, lotId: lotOf(factors, cell) ?? lotId }))),
    ...Array.from({ length: controls }, (_, i) => ({ cell: null, lotId: lots[i % lots.length] ?? lotId })),
  ];
  const named = codes(wanted.length, chance);
  const pieces = wanted.map(({ cell, lotId: from }, i) => ({ lotId: from, code: named[i] ?? `${i}`, cell }));
  return lots.map((from) => ({
    lotId: from,
    pieces: pieces
      .filter((piece) => piece.lotId === from)
      .map(({ code, cell }) => ({ code, cell }))
      .toSorted((a, b) => a.code.localeCompare(b.code)),
  }));
}

/** The lot that a cell is cut from; null where the lots are no factor. */
export function lotOf(factors: readonly TrialFactor[], cell: Cell): string | null {
  for (const [i, factor] of factors.entries()) {
    const how = factor.levels[cell[i] ?? 0]?.how;
    if (how?.kind === 'lot') return how.lotId;
  }
  return null;
}

const lotsOf = (factors: readonly TrialFactor[], lotId: string): string[] => {
  const own = factors.flatMap(({ levels }) => levels.flatMap(({ how }) => (how.kind === 'lot' ? [how.lotId] : [])));
  return own.length > 0 ? [...new Set(own)] : [lotId];
};
