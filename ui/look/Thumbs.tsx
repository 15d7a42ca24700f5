'use client';
import { Button, Image } from 'antd';
import type { Picture } from '@/core/swatch/look';

interface Props {
  readonly pictures: readonly Picture[];
  /** What they show, for who does not see them. */
  readonly of: string;
  readonly sizePx?: number;
  readonly onRead?: ((picture: Picture) => void) | undefined;
  readonly onMark?: ((picture: Picture) => void) | undefined;
}

const at = (hash: string): string => `/api/v1/blobs/${hash}`;

/** Pictures small, each opening large. */
export function Thumbs({ pictures, of, sizePx = 96, onRead, onMark }: Props) {
  return (
    <Image.PreviewGroup>
      <span className="line line-tight" style={{ alignItems: 'flex-start' }}>
        {pictures.map(({ hash, middle, small, widthPx, heightPx, takenAtMs }, i) => (
          <span key={hash} style={{ display: 'grid', gap: 4, justifyItems: 'start' }}>
            <Image
              src={at(small)}
              preview={{ src: at(middle) }}
              alt={pictures.length === 1 ? of : `${of}, picture ${i + 1}`}
              width={sizePx}
              height={sizePx}
              loading="lazy"
              style={{ objectFit: 'cover', background: 'var(--swatch-ground)' }}
            />
            {onRead ? (
              <Button size="small" onClick={() => onRead({ hash, middle, small, widthPx, heightPx, takenAtMs })}>
                Read a colour
              </Button>
            ) : null}
            {onMark ? (
              <Button size="small" onClick={() => onMark({ hash, middle, small, widthPx, heightPx, takenAtMs })}>
                Mark the plants
              </Button>
            ) : null}
          </span>
        ))}
      </span>
    </Image.PreviewGroup>
  );
}
