'use client';
import { hexOfLab } from '@/core/colour/lab';
import { type Look, lookText } from '@/core/swatch/look';
import { Patch } from './Patch';
import { Thumbs } from './Thumbs';

/** A look as a line of the log: what was said, its pictures small. */
export function LookLine({ look }: { look: Look }) {
  const words = lookText(look, (colour) => hexOfLab(colour.lab));
  return (
    <span className="log-text">
      {words}
      {look.by ? <em className="quiet"> by {look.by}</em> : null}
      {look.colour ? <Patch hex={hexOfLab(look.colour.lab)} sizePx={22} /> : null}
      {look.pictures.length > 0 && !look.colour ? <Thumbs pictures={look.pictures} of={words} sizePx={56} /> : null}
    </span>
  );
}
