import type { Fit } from '../dose/fit';
import type { HeatSource } from '../kitchen/heatSource';
import type { Home } from '../kitchen/home';
import type { Vessel } from '../kitchen/vessel';
import type { Lid, StepKind } from '../method/method';
import type { Window } from '../schedule/diary';
import type { Assistant } from '../shelf/assistant';
import type { Dyestuff } from '../shelf/dyestuff';
import type { PlantDetail } from '../shelf/plantDetail';

/** One thing in a bath, as the rules look at it. Unknown is null and counts as the worst plausible. */
export interface Content {
  readonly substance: string;
  readonly name: string;
  readonly assistant: Assistant | null;
  readonly dyestuff: Dyestuff | null;
  readonly grams: number | null;
  readonly mL: number | null;
  /** % of the dry weight of fibre in it. */
  readonly wofPct: number | null;
  readonly gPerL: number | null;
  /** The recipe's own form, where the label gives another: percent and g/L are reckoned in it. Null when they agree. */
  readonly reckonedAs: string | null;
  /** Strength of a liquid off its label, %. */
  readonly strengthPct: number | null;
  /** Nobody said which form or strength the label gives, though it matters. */
  readonly labelMissing: boolean;
  /** How a plant was come by, where somebody said. */
  readonly source?: PlantDetail['source'] | undefined;
}

/** All that the rules need of one step, planned or as it really went. */
export interface StepFacts {
  readonly stepId: string;
  readonly kind: StepKind;
  /** Its title and acts, as they are read. */
  readonly words: string;
  /** The heat is still on as it ends, not counting the lifting out. */
  readonly endsHeated: boolean;
  /** What is poured in is boiling. */
  readonly pouredBoiling: boolean;
  /** Minutes between stirs on the heat; null where nobody stirs. */
  readonly stirEveryMin: number | null;
  /** What this step itself puts in. */
  readonly contents: readonly Content[];
  /** All that is in the liquid, from this step and from those before it in the same bath. */
  readonly inBath: readonly Content[];
  /** What the vessel held last, in another bath. */
  readonly lastInVessel: readonly Content[];
  /** What the goods bring along with no rinse or wash between. */
  readonly onGoods: readonly Content[];
  /** Minutes that the goods cool in the air before it. */
  readonly coolFirstMin: number;
  readonly dryG: number | null;
  /** What this bath dyes with, also when it was strained out. */
  readonly dyestuffs: readonly Dyestuff[];
  /** Never above, °C, as the step says; null: no ceiling. */
  readonly ceilingC: number | null;
  /** Fibre lies in it. */
  readonly goodsIn: boolean;
  /** Some of the goods carry iron and some do not, in a step that is not for iron. */
  readonly ironGoodsMixed: boolean;
  readonly wool: boolean;
  readonly silk: boolean;
  readonly protein: boolean;
  readonly cellulose: boolean;
  readonly vessel: Vessel | null;
  readonly heatSource: HeatSource | null;
  readonly lid: Lid;
  /** Bundled or unstirred goods. */
  readonly still: boolean;
  readonly waterMl: number | null;
  readonly fit: Fit | null;
  readonly heated: boolean;
  /** Hottest planned or seen, °C; null when heat is on and nobody knows. */
  readonly hottestC: number | null;
  readonly startC: number;
  /** Average rise above 40 °C, °C/min; null without a rise. */
  readonly rateCPerMin: number | null;
  readonly heatMin: number;
  /** Minutes at the heat, heating up left out: only then does a steamer lose its water. */
  readonly holdMin: number;
  /** Longest stretch on the heat without a planned look, min. */
  readonly checkGapMin: number;
  readonly heatWindows: readonly Window[];
  /** Minutes the goods or plant stay wet off the heat. */
  readonly wetMin: number;
  readonly plantIn: boolean;
  /** pH read, or the one such a bath settles near; null when nothing says. */
  readonly ph: number | null;
  readonly alkaliMin: number;
  /** Iron on these goods in earlier steps of this session, % WOF. */
  readonly ironBeforePct: number;
  readonly ironHotMin: number;
  /** What the goods come out of, °C, when they come hot; null when they come cool. */
  readonly comeFromC: number | null;
  /** Bath temperature when hands dip goods into it, °C; null when nothing is dipped. */
  readonly handC: number | null;
  /** A paste is made here or still on the goods, or was washed out of them since; null: none. */
  readonly paste: 'on' | 'washedOut' | null;
  /** Acid, and then dried with no rinse between. */
  readonly driesSour: boolean;
  /** Times at which the load is turned and the water topped up, min on the heat. */
  readonly topUpsMin: readonly number[];
  readonly home: Home;
  readonly away: readonly Window[];
}

export const has = (facts: Pick<StepFacts, 'contents'>, ...ids: readonly string[]): boolean =>
  facts.contents.some((content) => ids.includes(content.substance));
export const reacts = (facts: Pick<StepFacts, 'contents'>, ...kinds: readonly Assistant['reacts'][number][]): boolean =>
  facts.contents.some((content) => content.assistant?.reacts.some((kind) => kinds.includes(kind)) ?? false);
/** The name of the first content of a kind, for the message. */
export const nameOf = (facts: Pick<StepFacts, 'contents'>, ...kinds: readonly Assistant['reacts'][number][]): string =>
  facts.contents.find((content) => content.assistant?.reacts.some((kind) => kinds.includes(kind)))?.name ?? 'something';
