import type { Known, Span } from '../figure';
import type { Lid } from '../method/method';
import type { PlantDetail } from '../shelf/plantDetail';
import type { DoseOf } from './blend';
import type { MorePlant, PlantAmount } from './plant';

export const MORDANT_ANSWERS = ['testStrip', 'lookEarly', 'mordantAnyway', 'goOn'] as const;
/** What a person chose to do about a lot whose mordant nobody is sure of. */
export type MordantAnswer = (typeof MORDANT_ANSWERS)[number];

/** A session takes so many lots, and so many steps: a trial as large as a trial can be fits into one. */
export const MOST_LOTS = 400;
export const MOST_ITEMS = 120;

/** What a person asked for: kept beside the plan so that it can be changed and planned again. */
export interface Draft {
  readonly name: string;
  readonly startMs: number;
  /** When all of it must be over: a flight, guests; null or missing: whenever it is. */
  readonly endByMs?: number | null;
  readonly lotIds: readonly string[];
  readonly chain: readonly ChainItem[];
  readonly vessels: Readonly<Record<string, string>>;
  /** By "step/addition" or "step/water": the amount a person set instead of the proposed one. */
  readonly overrules: Readonly<Record<string, number | Span>>;
  /** By step id: what goes in beside what the method asks for. */
  readonly extras?: Readonly<Record<string, readonly ExtraAddition[]>>;
  /** By "step/addition": how much of a plant, as it was said instead of by the method's ratio. */
  readonly plantAmounts?: Readonly<Record<string, PlantAmount>>;
  /** What percents of the fibre's weight are of, where a part of it takes no dye; null or missing: nobody was asked, and the whole counts. */
  readonly doseOf?: DoseOf | null;
  readonly pins: Readonly<Record<string, number>>;
  /** By step id: reason for passing a stop that a reason may pass. */
  readonly reasons: Readonly<Record<string, string>>;
  /** By step id: how its vessel is covered, where that differs from the method. */
  readonly lids?: Readonly<Record<string, Lid>>;
  /** By substance: which form or strength the label says. */
  readonly labels?: Readonly<Record<string, string>>;
  /** By lot: what to do about a mordant that nobody is sure of. */
  readonly answers?: Readonly<Record<string, MordantAnswer>>;
  /** "Again, with one thing changed": what it repeats, so that a second change is pointed out. */
  readonly against?: Against | null;
}

/** The lots that an item of the chain is for. */
export const lotsOf = (item: ChainItem, draft: Pick<Draft, 'lotIds'>): readonly string[] => item.lotIds ?? draft.lotIds;

/** What a plan repeats "with one thing changed". */
export interface Against {
  readonly runId: string;
  /** Of the session that is repeated. */
  readonly name: string;
  /** As it stood when nothing was changed yet. */
  readonly chain: readonly ChainItem[];
  readonly overrules: Draft['overrules'];
  readonly plantAmounts: NonNullable<Draft['plantAmounts']>;
  readonly extras: NonNullable<Draft['extras']>;
  readonly lids: NonNullable<Draft['lids']>;
  /** Missing in what was begun before they were kept: then they are not held against each other. */
  readonly labels?: NonNullable<Draft['labels']> | undefined;
  readonly doseOf?: Draft['doseOf'];
  /** What the fibre was, in words. */
  readonly fibre: string;
}

/** Something that goes into a step beside what its method asks for. */
export interface ExtraAddition {
  /** "extra-1": the id of its addition. */
  readonly id: string;
  readonly substance: string;
  /** Percent of the fibre's weight; null: as much as somebody sets, or unknown. */
  readonly wofPct: Known;
}

/** An id that none of a step's extras has, also after one of them was left out. */
export const nextExtraId = (had: readonly Pick<ExtraAddition, 'id'>[]): string =>
  `extra-${1 + Math.max(0, ...had.map(({ id }) => Number(id.replace(/^extra-/, ''))))}`;

export interface ChainItem {
  readonly id: string;
  readonly methodId: string;
  /** Null or missing: the newest. */
  readonly methodVersion?: number | null;
  /** What a person set: a figure, a range ("6–8 h"), or null: not set on purpose. */
  readonly params: Readonly<Record<string, Known>>;
  readonly dyestuffId: string | null;
  /** Beside the first: several plants in one bath, jar, bundle or print. */
  readonly morePlants?: readonly MorePlant[];
  /** By addition: form, preparation, source and season of a plant, as far as somebody said. */
  readonly plantDetails?: Readonly<Record<string, PlantDetail>>;
  /** The kept liquor that a step brings out. */
  readonly liquorId?: string | null;
  /**
   * The baths it works in, by the items that made them; two are poured together. Null or missing: the first that waits for
   * such a step, else the one touched last.
   */
  readonly bathFrom?: readonly string[] | null;
  /** The lots it is for; null or missing: all of the session's. */
  readonly lotIds?: readonly string[] | null;
  /** Only a part of each lot goes in: "tips", 30 %. */
  readonly part?: { readonly label: string; readonly sharePct: number | null } | null;
}

/** Whether a step came of an item: its id begins with the item’s. */
export const isStepOf = ({ id }: Pick<ChainItem, 'id'>, stepId: string): boolean => stepId.startsWith(`${id}-`);
