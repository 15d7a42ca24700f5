'use client';
import { Button, Table } from 'antd';
import { useMemo } from 'react';
import type { TrialView } from '@/contract/views';
import { Patch } from '../look/Patch';
import { type GridLine, type GridPiece, gridLines } from './gridLines';

interface Props {
  readonly view: TrialView;
  readonly onLook: (piece: GridPiece) => void;
}

/** The grid as it fills: the last thing that differs runs across, all others down. A tap on a piece says how it came out. */
export function TrialGrid({ view, onLook }: Props) {
  const across = view.trial.factors.at(-1);
  const lines = useMemo(() => gridLines(view), [view]);
  return (
    <Table<GridLine>
      size="small"
      pagination={false}
      dataSource={lines}
      scroll={{ x: 'max-content' }}
      columns={[
        { title: view.trial.factors.map(({ name }) => name).join(' × '), dataIndex: 'name', rowScope: 'row' },
        ...(across?.levels ?? []).map(({ name }, level) => ({
          key: name,
          title: name,
          render: (_value: unknown, line: GridLine) => <Pieces pieces={line.cells[level] ?? null} onLook={onLook} />,
        })),
      ]}
    />
  );
}

function Pieces({ pieces, onLook }: { pieces: readonly GridPiece[] | null; onLook: (piece: GridPiece) => void }) {
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

const pieceSays = ({ code, lab, state }: GridPiece): string => `${code}: ${lab ? `L* ${Math.round(lab.l)}${state ? `, ${state}` : ''}` : 'not looked at yet'}`;
