'use client';
import { hexOfLab } from '@/core/colour/lab';
import type { Look } from '@/core/swatch/look';
import { Patch } from './Patch';
import { Thumbs } from './Thumbs';

/** The colour that was read, with its number; else the pictures. @param of what they show, in words */
export function LookShown({ look: { colour, pictures }, of }: { readonly look: Pick<Look, 'colour' | 'pictures'>; readonly of: string }) {
  if (!colour) return <Thumbs pictures={pictures} of={of} sizePx={56} />;
  const hex = hexOfLab(colour.lab);
  return (
    <span className="line line-tight">
      <Patch hex={hex} sizePx={22} />
      <span className="quiet">{hex}</span>
    </span>
  );
}
