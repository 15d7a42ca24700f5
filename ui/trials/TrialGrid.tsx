'use client';
import { Button, Table } from 'antd';
import type { TrialView } from '@/contract/views';
import { fullGrid } from '@/core/trial/design';
import { type Cell, cellKey, cellText } from '@/core/trial/trial';
import { Patch } from '../look/Patch';

type Piece = TrialView['pieces'][number];

interface Props {
  readonly view: TrialView;
  readonly onLook: (piece: Piece) => void;
}

interface Line {
  readonly key: string;
  readonly name: string;
  /** By level of what runs across; of the controls all in the first. */
  readonly cells: readonly (readonly Piece[])[];
}

/** The grid as it fills: the last thing that differs runs across, all others down. A tap on a piece says how it came out. */
export function TrialGrid({ view, onLook }: Props) {
  const across = view.trial.factors.at(-1);
  const lines = linesOf(view);
  return (
    <Table<Line>
      size="small"
      pagination={false}
      dataSource={lines}
      scroll={{ x: 'max-content' }}
      columns={[
        { title: view.trial.factors.map(({ name }) => name).join(' × '), dataIndex: 'name', rowScope: 'row' },
        ...(across?.levels ?? []).map(({ name }, level) => ({
          key: name,
          title: name,
          render: (_value: unknown, line: Line) => <Pieces pieces={line.cells[level] ?? null} onLook={onLook} />,
        })),
      ]}
    />
  );
}

function linesOf({ trial, pieces }: TrialView): Line[] {
  const [rows, across] = [trial.factors.slice(0, -1), trial.factors.at(-1)];
  const byCell = new Map<string, Piece[]>();
  for (const piece of pieces) if (piece.cell) byCell.set(cellKey(piece.cell), [...(byCell.get(cellKey(piece.cell)) ?? []), piece]);
  const controls = pieces.filter(({ cell }) => cell === null);
  const lines = fullGrid(rows.map(({ levels }) => levels.length)).map((cell): Line => {
    const own = (across?.levels ?? []).map((_, level) => byCell.get(cellKey([...cell, level] satisfies Cell)) ?? []);
    return { key: cellKey(cell) || 'all', name: cellText(rows, cell), cells: own };
  });
  // Lines of which a smaller design has no cell are not drawn.
  const drawn = lines.filter(({ cells }) => cells.some((own) => own.length > 0));
  return controls.length === 0 ? drawn : [...drawn, { key: 'controls', name: 'kept out', cells: [controls] }];
}

function Pieces({ pieces, onLook }: { pieces: readonly Piece[] | null; onLook: (piece: Piece) => void }) {
  if (pieces === null) return null;
  if (pieces.length === 0) return <span className="quiet small">left out</span>;
  return (
    <div className="line line-tight">
      {pieces.map((piece) => (
        <Button
          key={piece.code}
          type="text"
          onClick={() => onLook(piece)}
          aria-label={pieceSays(piece)}
          style={{ height: 'auto', padding: 4, gap: 8 }}
          icon={<Patch hex={piece.hex} sizePx={36} />}
        >
          <span style={{ textAlign: 'left', lineHeight: 1.25 }}>
            {piece.code}
            <br />
            <span className="quiet small">{piece.lab ? `L* ${Math.round(piece.lab.l)}` : 'not yet'}</span>
          </span>
        </Button>
      ))}
    </div>
  );
}

const pieceSays = ({ code, lab, state }: Piece): string => `${code}: ${lab ? `L* ${Math.round(lab.l)}${state ? `, ${state}` : ''}` : 'not looked at yet'}`;
