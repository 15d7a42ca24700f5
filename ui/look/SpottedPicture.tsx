import { Image } from 'antd';
import { type Picture, type Spot, spotsText } from '@/core/swatch/look';

const WIDE_PX = 320;

/** A picture with its spots by number, as they stand in the words beside it. */
export function SpottedPicture({ picture, spots, of }: { picture: Picture; spots: readonly Spot[]; of: string }) {
  return (
    <span style={{ position: 'relative', display: 'block', width: '100%', maxWidth: WIDE_PX }}>
      <Image
        src={`/api/v1/blobs/${picture.middle}`}
        alt={`${of}: ${spotsText(spots)}`}
        width="100%"
        loading="lazy"
        preview={false}
        style={{ display: 'block', aspectRatio: picture.widthPx / picture.heightPx, background: 'var(--swatch-ground)' }}
      />
      {spots.map(({ x, y, plant }, i) => (
        <span key={`${x}/${y}/${plant}`} aria-hidden="true" className="letter spot" style={{ left: `${x * 100}%`, top: `${y * 100}%` }}>
          {i + 1}
        </span>
      ))}
    </span>
  );
}
