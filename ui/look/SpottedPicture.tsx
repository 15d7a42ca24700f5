import { type Picture, type Spot, spotsText } from '@/core/swatch/look';

const WIDE_PX = 320;

/** A picture with its spots by number, as they stand in the words beside it. */
export function SpottedPicture({ picture, spots, of }: { picture: Picture; spots: readonly Spot[]; of: string }) {
  return (
    <span style={{ position: 'relative', display: 'block', width: '100%', maxWidth: WIDE_PX }}>
      {/* biome-ignore lint/performance/noImgElement: sized and named by its content already */}
      <img
        src={`/api/v1/blobs/${picture.middle}`}
        alt={`${of}: ${spotsText(spots)}`}
        width={picture.widthPx}
        height={picture.heightPx}
        loading="lazy"
        style={{ display: 'block', width: '100%', height: 'auto', background: 'var(--swatch-ground)' }}
      />
      {spots.map(({ x, y }, i) => (
        <span
          // biome-ignore lint/suspicious/noArrayIndexKey: two spots may lie in one place
          key={i}
          aria-hidden="true"
          className="spot small"
          style={{ left: `${x * 100}%`, top: `${y * 100}%` }}
        >
          {i + 1}
        </span>
      ))}
    </span>
  );
}
