'use client';
import { type KeyboardEvent, type PointerEvent, useEffect, useRef } from 'react';
import type { Mark } from '@/workers/picture.worker';

/** Drawn at most so large; shown smaller where the page is low, so that what is read stays in sight. */
const MOST_PX = { width: 1000, height: 640 };
/** Drawn large, since the page may show the picture at half its size. */
const LABEL_FONT = '700 26px sans-serif';
/** An arrow key moves a mark by this share of the picture. */
const STEP = 0.01;

interface Props {
  readonly picture: ImageBitmap;
  readonly marks: readonly { readonly key: string; readonly mark: Mark }[];
  /** The mark that a touch moves. */
  readonly moved: string;
  readonly onMove: (mark: Mark) => void;
}

/** A picture with squares on it: what is read. Touched, or moved by arrow keys. */
export function PictureMarks({ picture, marks, moved, onMove }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const scale = Math.min(1, MOST_PX.width / picture.width, MOST_PX.height / picture.height);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    context.drawImage(picture, 0, 0, context.canvas.width, context.canvas.height);
    for (const { key, mark } of marks) {
      const [x, y, side] = [(mark.x - mark.halfPx) * scale, (mark.y - mark.halfPx) * scale, 2 * mark.halfPx * scale];
      // Black in white, so that it is seen on any fibre; the one that moves is thicker.
      for (const [colour, width] of [
        ['#ffffff', key === moved ? 6 : 4],
        ['#000000', key === moved ? 3 : 1.5],
      ] as const) {
        context.strokeStyle = colour;
        context.lineWidth = width;
        context.strokeRect(x, y, side, side);
      }
      context.font = LABEL_FONT;
      context.lineWidth = 5;
      context.strokeStyle = '#ffffff';
      context.strokeText(key, x, y - 6);
      context.fillStyle = '#000000';
      context.fillText(key, x, y - 6);
    }
  }, [picture, marks, moved, scale]);
  const active = marks.find((one) => one.key === moved)?.mark;
  const moveTo = (x: number, y: number) =>
    active && onMove({ ...active, x: Math.min(picture.width, Math.max(0, Math.round(x))), y: Math.min(picture.height, Math.max(0, Math.round(y))) });
  const onPoint = (event: PointerEvent<HTMLCanvasElement>) => {
    if (event.type === 'pointermove' && event.buttons === 0) return;
    const box = event.currentTarget.getBoundingClientRect();
    moveTo(((event.clientX - box.left) / box.width) * picture.width, ((event.clientY - box.top) / box.height) * picture.height);
  };
  const onKey = (event: KeyboardEvent) => {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (!by || !active) return;
    event.preventDefault();
    const step = STEP * Math.max(picture.width, picture.height);
    moveTo(active.x + (by[0] ?? 0) * step, active.y + (by[1] ?? 0) * step);
  };
  return (
    <canvas
      ref={canvas}
      width={Math.round(picture.width * scale)}
      height={Math.round(picture.height * scale)}
      tabIndex={0}
      role="img"
      aria-label={`Picture. Arrow keys move the square “${moved}”.`}
      style={{ maxWidth: '100%', maxHeight: '40dvh', alignSelf: 'flex-start', cursor: 'crosshair', touchAction: 'none', background: 'var(--swatch-ground)' }}
      onPointerDown={onPoint}
      onPointerMove={onPoint}
      onKeyDown={onKey}
    />
  );
}
