import type { ReactNode } from 'react';
import type { SwatchView } from '@/contract/views';
import { stateText } from '@/core/swatch/look';
import { isCorrected } from '@/core/swatch/swatch';

/** The least width of a tile. */
export const TILE_PX = 168;

interface Props {
  readonly swatch: SwatchView;
  /** How far it is from what is looked for; null when nothing is. */
  readonly deltaE: number | null;
  readonly children: ReactNode;
}

/** One result: its colour, else its picture, on mid-grey; what it is below. */
export function SwatchTile({ swatch: { hex, picture, colour, verdict, fastness }, deltaE, children }: Props) {
  const doubt = colour
    ? [
        colour.state === 'dry' || colour.state === 'cured' ? '' : stateText(colour.state),
        isCorrected(colour) ? '' : colour.by.kind === 'eye' ? 'by eye' : 'not corrected',
      ]
        .filter(Boolean)
        .join(', ')
    : 'no colour read';
  return (
    <article style={{ display: 'grid', gap: 6, alignContent: 'start', minWidth: 0 }}>
      <div style={{ display: 'grid', padding: 14, background: 'var(--swatch-ground)' }}>
        {hex === null && picture ? (
          // biome-ignore lint/performance/noImgElement: a picture of the data folder, in the size that is drawn
          <img src={`/api/v1/blobs/${picture.small}`} alt="" loading="lazy" style={{ width: '100%', height: 96, objectFit: 'cover' }} />
        ) : (
          <div
            style={{ height: 96, display: 'grid', placeItems: 'center', color: '#1c1c1c', ...(hex ? { background: hex } : { border: '1px dashed #5c5c5c' }) }}
          >
            {hex ? '' : '?'}
          </div>
        )}
      </div>
      <div style={{ display: 'grid', gridTemplateColumns: 'auto 1fr', gap: 8, alignItems: 'start' }}>{children}</div>
      <span className="quiet small">{[deltaE === null ? '' : `ΔE ${deltaE.toFixed(1)}`, doubt, verdict, fastness].filter(Boolean).join(' · ')}</span>
    </article>
  );
}
