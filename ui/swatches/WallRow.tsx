'use client';
import { Checkbox } from 'antd';
import Link from 'next/link';
import { memo, useDeferredValue } from 'react';
import type { SwatchView } from '@/contract/views';
import { usePrint } from '../shell/facts';
import { SwatchTile, TILE_PX } from './SwatchTile';

export const GAP_PX = 12;
/** As wide as the box to tick, so that nothing moves when it comes. */
const BOX = { width: 16 } as const;
const ONE_LINE = { overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' } as const;

export interface WallTile {
  readonly swatch: SwatchView;
  /** How far it is from what is looked for; null when nothing is. */
  readonly deltaE: number | null;
}

interface Props {
  readonly tiles: readonly WallTile[];
  /** Null until the page knows its width. */
  readonly columns: number | null;
  /** Ids of those of its tiles that are chosen, in one word: a row that is not touched is not drawn again. */
  readonly chosen: string;
  /** No more can be chosen. */
  readonly isFull: boolean;
  readonly onToggle: (id: string) => void;
}

/** One line of the wall: what is seen is there at once, what is tapped a moment later, so that neither the first look nor the wheel waits. */
export const WallRow = memo(function WallRow({ tiles, columns, chosen, isFull, onToggle }: Props) {
  const print = usePrint();
  const own = new Set(chosen.split(' '));
  const isWhole = useDeferredValue(true, false);
  return (
    <div
      style={{
        display: 'grid',
        gridTemplateColumns: `repeat(${columns ?? 'auto-fill'}, minmax(${columns ? 0 : `min(${TILE_PX}px, 50% - ${1.5 * GAP_PX}px)`}, 1fr))`,
        gap: GAP_PX,
        padding: `${GAP_PX / 2}px ${GAP_PX}px`,
      }}
    >
      {tiles.map(({ swatch, deltaE }) => (
        <SwatchTile key={swatch.id} swatch={swatch} deltaE={deltaE}>
          {isWhole ? (
            <Checkbox
              aria-label={`Compare ${swatch.name} on ${swatch.lot}`}
              checked={own.has(swatch.id)}
              disabled={!own.has(swatch.id) && isFull}
              onChange={() => onToggle(swatch.id)}
            />
          ) : (
            <span style={BOX} />
          )}
          <span style={{ display: 'grid', minWidth: 0 }}>
            {isWhole ? (
              <Link href={`/fibre/${swatch.lotId}`} prefetch={false} className="row-name" style={ONE_LINE}>
                {swatch.name}
              </Link>
            ) : (
              <span className="row-name" style={ONE_LINE}>
                {swatch.name}
              </span>
            )}
            <span className="quiet small" style={ONE_LINE}>
              {swatch.lot} · {swatch.detail || print.day(swatch.atMs)}
            </span>
          </span>
        </SwatchTile>
      ))}
    </div>
  );
});
