import type { Lab } from '../colour/lab';
import type { Card } from '../colour/patch';
import type { StepTreatment } from '../fibre/passport';

/** In what state the fibre was looked at: wet is darker than dry, and never compared with it in silence. */
export const LOOK_STATES = ['wet', 'rinsed', 'dry', 'cured'] as const;
export type LookState = (typeof LOOK_STATES)[number];

export const LIGHTS = ['daylight', 'shade', 'lamp'] as const;
export type Light = (typeof LIGHTS)[number];

/** A picture that is kept: by the checksums of its files. */
export interface Picture {
  /** Long side at most 2,560 px. */
  readonly hash: string;
  /** Long side at most 1,024 px. */
  readonly middle: string;
  /** Long side at most 320 px. */
  readonly small: string;
  readonly widthPx: number;
  readonly heightPx: number;
  /** When it was taken, as the camera says; null when it does not. */
  readonly takenAtMs: number | null;
}

/** How a colour was got: never one without it. */
export type ColourBy =
  | {
      readonly kind: 'picture';
      readonly hash: string;
      /** What it was corrected by; null: as the camera saw it. */
      readonly card: Card | null;
      /** Mean ΔE00 of what was read to its mean. */
      readonly spread: number;
      /** Share left out as shadow or glare, 0–1. */
      readonly leftOut: number;
    }
  /** Typed, as an instrument or another program said. */
  | { readonly kind: 'typed' }
  /** Judged by eye against drawn colours. */
  | { readonly kind: 'eye' };

export interface ColourReading {
  readonly lab: Lab;
  readonly by: ColourBy;
}

export const DEPTHS = ['asWanted', 'paler', 'darker'] as const;
export const STRENGTHS = ['pale', 'medium', 'dark'] as const;
export const EVENS = ['even', 'blotched', 'blotchedOnPurpose'] as const;
export const BLEEDS = ['no', 'yes', 'unsure'] as const;

/** What an eye says, each in one tap; what nobody said is left out. */
export interface Verdict {
  readonly depth?: (typeof DEPTHS)[number] | undefined;
  readonly strength?: (typeof STRENGTHS)[number] | undefined;
  readonly even?: (typeof EVENS)[number] | undefined;
  readonly bled?: (typeof BLEEDS)[number] | undefined;
  readonly next?: string | undefined;
}

/** A place on a picture, and the plant that printed there. */
export interface Spot {
  /** The picture, by its `hash`. */
  readonly hash: string;
  /** Share of its width and of its height, from the upper left, 0–1. */
  readonly x: number;
  readonly y: number;
  readonly plant: string;
  /** Known, not guessed by its looks. */
  readonly sure: boolean;
}

/** "1 heather · 2 weld, a guess". */
export const spotsText = (spots: readonly Spot[]): string => spots.map(({ plant, sure }, i) => `${i + 1} ${plant}${sure ? '' : ', a guess'}`).join(' · ');

/** What was done to a look afterwards: it is never erased. */
export type LookChange = { readonly atMs: number; readonly by?: string | undefined; readonly reason: string } & (
  | { readonly kind: 'withdrawn' }
  | { readonly kind: 'moved'; readonly fromLotIds: readonly string[] }
);

/** Somebody looked: a picture, a colour, a word, or all of them. */
export interface Look {
  readonly id: string;
  /** The lots that it shows; several stand in one pot. */
  readonly lotIds: readonly string[];
  /** "left half"; null: all of it. */
  readonly part: string | null;
  readonly liquorId: string | null;
  readonly at: { readonly runId: string; readonly stepId: string } | null;
  /** What that step does, as it was planned. */
  readonly step: { readonly title: string; readonly treatment: StepTreatment | null } | null;
  readonly state: LookState | null;
  readonly light: Light | null;
  readonly pictures: readonly Picture[];
  readonly spots?: readonly Spot[] | undefined;
  readonly colour: ColourReading | null;
  readonly verdict: Verdict;
  readonly note: string;
  readonly atMs: number;
  readonly recordedAtMs: number;
  readonly by?: string | undefined;
  readonly revision: number;
  readonly changes: readonly LookChange[];
}

export const isWithdrawn = (look: Pick<Look, 'changes'>): boolean => look.changes.some((change) => change.kind === 'withdrawn');

/** Nothing at all was said or shown. */
export const isEmpty = (look: Pick<Look, 'pictures' | 'colour' | 'verdict' | 'note'>): boolean =>
  look.pictures.length === 0 && look.colour === null && look.note === '' && Object.values(look.verdict).every((word) => word === undefined || word === '');

const DEPTH_SAYS = { asWanted: 'as wanted', paler: 'paler than wanted', darker: 'darker than wanted' } as const;
const EVEN_SAYS = { even: 'even', blotched: 'blotched', blotchedOnPurpose: 'blotched on purpose' } as const;
const BLED_SAYS = { no: 'did not bleed', yes: 'bled', unsure: 'may have bled' } as const;

/** "as wanted, even, did not bleed"; empty when nobody said anything. */
export const verdictText = ({ depth, strength, even, bled, next }: Verdict): string =>
  [depth && DEPTH_SAYS[depth], strength, even && EVEN_SAYS[even], bled && BLED_SAYS[bled], next ? `next: ${next}` : undefined].filter(Boolean).join(', ');

const LIGHT_SAYS = { daylight: 'daylight', shade: 'in the shade', lamp: 'lamp' } as const;
export const stateText = (state: LookState | null): string => state ?? 'wet or dry: nobody said';
export const lightText = (light: Light | null): string => (light ? LIGHT_SAYS[light] : 'light unknown');

/** How a colour was got, in words: "from a picture, corrected by a white card". */
export function colourByText(by: ColourBy): string {
  switch (by.kind) {
    case 'typed':
      return 'typed';
    case 'eye':
      return 'judged by eye';
    case 'picture':
      return by.card === null ? 'from a picture, not corrected' : `from a picture, corrected by ${CARD_SAYS[by.card.kind]}`;
  }
}
const CARD_SAYS = { white: 'a white card', grey: 'a grey card', known: 'undyed fibre of a known colour' } as const;

/** A look in a line: "2 pictures · dry, daylight · #c9a23a, typed · as wanted · left half". @param hexOf prints a colour; null: it is shown beside */
export function lookText(look: Look, hexOf: ((colour: ColourReading) => string) | null): string {
  const { pictures, state, light, colour, verdict, note, part, spots = [] } = look;
  const shown = pictures.length === 0 ? '' : pictures.length === 1 ? 'picture' : `${pictures.length} pictures`;
  const seen = [state ?? '', colour && light ? lightText(light) : ''].filter(Boolean).join(', ');
  const read = colour ? `${hexOf ? `${hexOf(colour)},` : 'colour'} ${colourByText(colour.by)}` : '';
  return [shown, part ?? '', seen, read, verdictText(verdict), spotsText(spots), note].filter(Boolean).join(' · ');
}
