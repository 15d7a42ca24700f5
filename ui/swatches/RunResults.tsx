'use client';
import Link from 'next/link';
import type { SwatchView } from '@/contract/views';
import { useLoaded } from '../api/useLoaded';
import { Panel } from '../shell/Page';
import { SwatchTile, TILE_PX } from './SwatchTile';

/** What came out of a run; nothing at all where nobody looked yet. */
export function RunResults({ runId }: { runId: string }) {
  const swatches = useLoaded<SwatchView[]>(`/swatches?runId=${runId}`);
  if (swatches.state !== 'ready' || swatches.value.length === 0) return null;
  return (
    <Panel title="What came out" label="What came out">
      <div style={{ display: 'grid', gridTemplateColumns: `repeat(auto-fill, minmax(${TILE_PX}px, 1fr))`, gap: 12 }}>
        {swatches.value.map((swatch) => (
          <SwatchTile key={swatch.id} swatch={swatch} deltaE={null}>
            <span style={{ display: 'grid', gridColumn: '1 / -1' }}>
              <Link href={`/fibre/${swatch.lotId}`}>{swatch.name}</Link>
              <span className="quiet small">{swatch.lot}</span>
            </span>
          </SwatchTile>
        ))}
      </div>
    </Panel>
  );
}
