'use client';
import { type Look, lookText } from '@/core/swatch/look';
import { later } from '../shell/later';

export const LookShown = later(() => import('./LookShown').then((module) => module.LookShown));

/** A look as a line of the log: what was said, its colour or its pictures small. */
export function LookLine({ look }: { look: Look }) {
  const words = lookText(look, null);
  return (
    <span className="log-text">
      {words}
      {look.by ? <em className="quiet"> by {look.by}</em> : null}
      {look.colour || look.pictures.length > 0 ? (
        <span style={{ display: 'block', minHeight: look.colour ? 28 : 56 }}>
          <LookShown look={look} of={words} />
        </span>
      ) : null}
    </span>
  );
}
