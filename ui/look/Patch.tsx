import type { ReactNode } from 'react';

interface Props {
  /** sRGB, or null: nobody read a colour. */
  readonly hex: string | null;
  readonly sizePx?: number;
  readonly children?: ReactNode;
}

/** A colour of fibre on mid-grey, where no ground sways the eye. */
export const Patch = ({ hex, sizePx = 44, children }: Props) => (
  <span aria-hidden="true" style={{ flex: 'none', display: 'grid', justifySelf: 'start', padding: Math.round(sizePx / 7), background: 'var(--swatch-ground)' }}>
    <span
      style={{
        display: 'grid',
        placeItems: 'center',
        width: sizePx,
        height: sizePx,
        color: '#1c1c1c',
        ...(hex ? { background: hex } : { border: '1px dashed #5c5c5c' }),
      }}
    >
      {children ?? (hex ? '' : '?')}
    </span>
  </span>
);
