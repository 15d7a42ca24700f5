import type { PieceSeen } from '../trial/tells';
import { cellText, type Trial } from '../trial/trial';
import type { Cell, Sheet } from './sheet';

const two = (value: number): number => Math.round(value * 100) / 100;

/** A trial piece by piece: a column for each thing that differs, then its colour so far. */
export function trialSheet({
  trial,
  pieces,
}: {
  readonly trial: Pick<Trial, 'factors'>;
  readonly pieces: readonly (PieceSeen & { readonly hex: string | null })[];
}): Sheet {
  return {
    head: ['code', 'lot', 'control', ...trial.factors.map(({ name }) => name), 'cell', 'fibre was', 'sRGB', 'L*', 'a*', 'b*'],
    rows: [
      pieces.map(({ code, lotId, cell, lab, hex, state }): Cell[] => [
        code,
        lotId,
        cell === null ? 'yes' : 'no',
        ...trial.factors.map(({ levels }, i) => (cell === null ? null : (levels[cell[i] ?? 0]?.name ?? null))),
        cell === null ? null : cellText(trial.factors, cell),
        state,
        hex,
        lab && two(lab.l),
        lab && two(lab.a),
        lab && two(lab.b),
      ]),
    ],
  };
}
