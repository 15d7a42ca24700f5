import type { Passport, Treatment } from '../fibre/passport';
import { knownValue } from '../figure';
import type { Method } from '../method/method';
import type { Dyestuff } from '../shelf/dyestuff';

/** A difference as two levels that a session can do by itself; "other": by hand, in words. */
export interface LevelPair {
  readonly kind: 'mordant' | 'strength' | 'dyestuff' | 'minutes' | 'other';
  /** Method ids with a figure of their own (`stepPick`), figures, dyestuff ids, or words. */
  readonly picks: readonly [string, string];
}

export interface Known {
  readonly methods: readonly Method[];
  readonly dyestuffs: readonly Dyestuff[];
  /** "alum" → "potash alum" */
  readonly nameOf: (substance: string) => string;
}

const NO_MORDANT = 'no-mordant';

/** A method with one figure set otherwise: "alum-10|alumPct=15". */
export const stepPick = (methodId: string, param: string | null, value: number): string => (param === null ? methodId : `${methodId}|${param}=${value}`);

/** @returns the method and what is set otherwise in it */
export function readStepPick(pick: string): { readonly methodId: string; readonly params: Readonly<Record<string, number>> } {
  const [methodId = '', set] = pick.split('|');
  const [param, value] = set?.split('=') ?? [];
  return { methodId, params: param === undefined ? {} : { [param]: Number(value) } };
}

/** The change between two results as levels of a trial. Where a method cannot be told from what was written down, it stays words. */
export function trialLevels(
  { what, levels }: { readonly what: string; readonly levels: readonly [string, string] },
  a: Passport,
  b: Passport,
  known: Known,
): LevelPair {
  const pair = (kind: LevelPair['kind'], of: (passport: Passport) => string | null): LevelPair | null => {
    const [x, y] = [of(a), of(b)];
    return x === null || y === null || x === y ? null : { kind, picks: [x, y] };
  };
  const found =
    what === 'mordant'
      ? pair('mordant', (passport) => mordantPick(passport, known))
      : what === 'in the bath'
        ? pair('minutes', (passport) => minutesPick(passport))
        : what === 'dye'
          ? dyePair(a, b, known)
          : null;
  return found ?? { kind: 'other', picks: levels };
}

const ofKind = ({ treatments }: Passport, kind: Treatment['kind']): Treatment[] => treatments.filter((one) => one.kind === kind && one.certainty === 'known');
const single = (passport: Passport, kind: Treatment['kind']): Treatment | null => {
  const [one, another] = ofKind(passport, kind);
  return one && !another && one.substance !== null && !one.part ? one : null;
};

function mordantPick(passport: Passport, { methods, nameOf }: Known): string | null {
  if (passport.state.mordant === 'noneOnPurpose') return NO_MORDANT;
  const mordant = single(passport, 'mordant');
  const pct = mordant && knownValue(mordant.wofPct);
  if (!mordant || pct === null || ofKind(passport, 'iron').length > 0) return null;
  const fitting = methods.flatMap(({ id, stage, steps, params }) => {
    const [only, more] = steps.flatMap(({ additions }) => additions);
    if (stage !== 'mordant' || !only || more || only.rule !== 'wofPct' || typeof only.pct !== 'object' || nameOf(only.substance) !== mordant.substance)
      return [];
    const { param } = only.pct;
    const usual = params.find(({ key }) => key === param)?.usual ?? null;
    return usual === null ? [] : [{ id, param, off: Math.abs(usual - pct) }];
  });
  const [best] = fitting.toSorted((x, y) => x.off - y.off);
  return best ? stepPick(best.id, best.off === 0 ? null : best.param, Math.round(pct * 10) / 10) : null;
}

function minutesPick(passport: Passport): string | null {
  const min = single(passport, 'dye')?.how?.inMin;
  return min === undefined ? null : String(Math.round(min));
}

/** Of one plant the strength, of two plants in the same strength the plants; else two things differ in one word. */
function dyePair(a: Passport, b: Passport, { dyestuffs }: Known): LevelPair | null {
  const [x, y] = [single(a, 'dye'), single(b, 'dye')];
  if (!x || !y) return null;
  const [pctX, pctY] = [knownValue(x.wofPct), knownValue(y.wofPct)];
  if (pctX === null || pctY === null) return null;
  const strength = (pct: number): string => String(Math.round(pct) / 100);
  if (x.substance === y.substance) return { kind: 'strength', picks: [strength(pctX), strength(pctY)] };
  const idOf = (name: string | null): string | undefined => dyestuffs.find((one) => one.name === name)?.id;
  const [idX, idY] = [idOf(x.substance), idOf(y.substance)];
  return idX !== undefined && idY !== undefined && strength(pctX) === strength(pctY) ? { kind: 'dyestuff', picks: [idX, idY] } : null;
}
