import type { TrialView } from '@/contract/views';
import { cellKey, cellText } from '@/core/trial/trial';

export type GridPiece = TrialView['pieces'][number];

/** A line of the grid: one cell of all that differs but the last. */
export interface GridLine {
  readonly key: string;
  readonly name: string;
  /** By level of what runs across; of the controls all in the first. */
  readonly cells: readonly (readonly GridPiece[])[];
}

/** The last thing that differs runs across, all others down, in the order of their levels. Made of the pieces: lines of which a smaller design has none are not there. */
export function gridLines({ trial, pieces }: Pick<TrialView, 'pieces'> & { readonly trial: Pick<TrialView['trial'], 'factors'> }): GridLine[] {
  const [rows, across] = [trial.factors.slice(0, -1), trial.factors.at(-1)?.levels.length ?? 0];
  const lines = new Map<string, { name: string; cells: GridPiece[][] }>();
  for (const piece of pieces) {
    if (!piece.cell) continue;
    const down = piece.cell.slice(0, -1);
    const line = lines.get(cellKey(down)) ?? { name: cellText(rows, down), cells: Array.from({ length: across }, () => []) };
    line.cells[piece.cell.at(-1) ?? 0]?.push(piece);
    lines.set(cellKey(down), line);
  }
  const inOrder = [...lines].toSorted(([a], [b]) => a.localeCompare(b, 'en', { numeric: true }));
  const controls = pieces.filter(({ cell }) => cell === null);
  return [
    ...inOrder.map(([key, line]) => ({ key: `cell ${key}`, ...line })),
    ...(controls.length === 0 ? [] : [{ key: 'controls', name: 'kept out', cells: [controls] }]),
  ];
}
