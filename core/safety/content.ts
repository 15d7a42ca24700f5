import type { Shelf } from '../shelf/lookup';
import type { Content } from './facts';

/** A substance of which nothing is known but that it is there. */
export const plainContent = (substance: string, shelf: Shelf): Content => ({
  substance,
  name: shelf.nameOf(substance),
  assistant: shelf.assistant(substance) ?? null,
  dyestuff: shelf.dyestuff(substance) ?? null,
  grams: null,
  mL: null,
  wofPct: null,
  gPerL: null,
  reckonedAs: null,
  strengthPct: null,
  labelMissing: false,
});
