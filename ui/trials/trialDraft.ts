import type { TrialInput } from '@/contract/trials';
import { readStepPick } from '@/core/compare/trialLevels';
import { readNumber } from '@/core/measure/parseNumber';
import type { Method, StepKind } from '@/core/method/method';
import { cannotTell, cellCount, pieceCount } from '@/core/trial/design';
import { cutsOf } from '@/core/trial/pieces';
import { bathCount } from '@/core/trial/session';
import { type Design, MOST_PIECES, type TrialFactor, type TrialLevel } from '@/core/trial/trial';

/** What can differ in a trial, and where its levels come from. */
export const FACTOR_KINDS = ['mordant', 'tannin', 'strength', 'dyestuff', 'minutes', 'modifier', 'iron', 'fibre', 'other'] as const;
export type FactorKind = (typeof FACTOR_KINDS)[number];

/** Where levels are ways of working: which stage they belong to, and whether leaving it out is one of them. */
export const STAGE_OF: Partial<Record<FactorKind, { readonly stage: StepKind; readonly mayBeNone: boolean }>> = {
  mordant: { stage: 'mordant', mayBeNone: false },
  tannin: { stage: 'tannin', mayBeNone: true },
  modifier: { stage: 'modifier', mayBeNone: true },
  iron: { stage: 'iron', mayBeNone: true },
};
/** Where levels are figures: of which stage's steps, and the unit behind them. */
export const FIGURE_OF: Partial<Record<FactorKind, { readonly stage: StepKind; readonly param: string; readonly unit: string }>> = {
  strength: { stage: 'extract', param: 'ratio', unit: ': 1' },
  minutes: { stage: 'dye', param: 'holdMin', unit: 'min' },
};
/** Stands for a stage that is left out. */
export const NONE = 'none';

export interface FactorDraft {
  readonly id: string;
  readonly kind: FactorKind;
  /** Of something else only. */
  readonly name: string;
  /** Ids, figures as they were typed, or names. */
  readonly picks: readonly string[];
  /** By pick: what it is done with, where its method asks for a plant. */
  readonly plants?: Readonly<Record<string, string>>;
}

export interface TrialValues {
  readonly id: string;
  readonly name: string;
  readonly question: string;
  readonly factors: readonly FactorDraft[];
  readonly design: Design;
  readonly repeats: number | null;
  readonly controls: number | null;
  /** The weight of a piece, as it was typed. */
  readonly pieceText: string;
  readonly wayId: string | null;
  readonly dyestuffId: string | null;
  readonly lotId: string | null;
}

/** By id: what a person calls it. */
export type NameOf = (id: string) => string;

export const FACTOR_NAME: Record<FactorKind, string> = {
  mordant: 'Mordant',
  tannin: 'Tannin',
  strength: 'Plant to fibre',
  dyestuff: 'Dyestuff',
  minutes: 'Minutes in the bath',
  modifier: 'After-bath',
  iron: 'Iron',
  fibre: 'Fibre',
  other: 'Something else',
};

/** A level's figure as it was typed; null where it is none. */
export function figureOf(typed: string): number | null {
  const read = readNumber(typed.trim());
  return read && read.rest.trim() === '' && read.value > 0 ? read.value : null;
}

/** "Alum, one hot hour (15)": a method, and the figure that is set otherwise in it. */
export function stepPickName(pick: string, nameOf: NameOf): string {
  const { methodId, params } = readStepPick(pick);
  const [value] = Object.values(params);
  return value === undefined ? nameOf(methodId) : `${nameOf(methodId)}, ${value} %`;
}

function levelOf(kind: FactorKind, pick: string, plantId: string | undefined, nameOf: NameOf): TrialLevel {
  const [step, figure] = [STAGE_OF[kind], FIGURE_OF[kind]];
  if (step) {
    if (pick === NONE) return { name: 'none', how: { kind: 'step', stage: step.stage, methodId: null, params: {} } };
    const name = [stepPickName(pick, nameOf), ...(plantId ? [nameOf(plantId)] : [])].join(', ');
    return { name, how: { kind: 'step', stage: step.stage, ...readStepPick(pick), ...(plantId ? { dyestuffId: plantId } : {}) } };
  }
  if (figure) {
    const value = figureOf(pick) ?? 0;
    return { name: `${value} ${figure.unit}`, how: { kind: 'figure', stage: figure.stage, param: figure.param, value } };
  }
  if (kind === 'dyestuff') return { name: nameOf(pick), how: { kind: 'dyestuff', dyestuffId: pick } };
  if (kind === 'fibre') return { name: nameOf(pick), how: { kind: 'lot', lotId: pick } };
  return { name: pick, how: { kind: 'hand' } };
}

export const factorOf = ({ id, kind, name, picks, plants }: FactorDraft, nameOf: NameOf): TrialFactor => ({
  id,
  name: kind === 'other' && name.trim() !== '' ? name.trim() : FACTOR_NAME[kind],
  levels: picks.map((pick) => {
    const level = levelOf(kind, pick, plants?.[pick], nameOf);
    return { ...level, name: level.name.slice(0, 60) };
  }),
});

/** What is sent. What a form leaves empty stays empty: the contract says what is missing. @param pieceG null where it cannot be read */
export function trialBody(
  { pieceText: _typed, ...values }: TrialValues,
  nameOf: NameOf,
  pieceG: number | null,
): Omit<TrialInput, 'factors' | 'pieceG' | 'repeats'> & {
  factors: readonly TrialFactor[];
  pieceG: number | null;
  repeats: number | null;
} {
  const hasLots = values.factors.some(({ kind }) => kind === 'fibre');
  return {
    ...values,
    factors: values.factors.map((factor) => factorOf(factor, nameOf)),
    lotId: hasLots ? null : values.lotId,
    controls: values.controls ?? 0,
    pieceG,
  };
}

/** The levels whose method asks for a plant, by pick. */
export const plantPicks = ({ kind, picks }: FactorDraft, methods: readonly Method[]): string[] =>
  STAGE_OF[kind] ? picks.filter((pick) => methods.some(({ id, needsDyestuff }) => needsDyestuff && id === readStepPick(pick).methodId)) : [];

/** What keeps the levels from being levels, in words. */
export function levelsFault(factors: readonly FactorDraft[], methods: readonly Method[], nameOf: NameOf): string | null {
  for (const factor of factors) {
    const bad = FIGURE_OF[factor.kind] ? factor.picks.find((pick) => figureOf(pick) === null) : undefined;
    if (bad !== undefined) return `“${bad}” is no figure above 0. Write 0.5 or 60.`;
    const bare = plantPicks(factor, methods).find((pick) => !factor.plants?.[pick]);
    if (bare !== undefined) return `Choose the plant for ${stepPickName(bare, nameOf)}.`;
  }
  return null;
}

export interface Cost {
  readonly cells: number;
  /** Null: more than can be cut. */
  readonly pieces: number | null;
  readonly baths: number;
  readonly notTold: readonly string[];
}

/** What a trial comes to, before anything is cut. */
export function costOf(values: TrialValues, nameOf: NameOf): Cost | null {
  const factors = values.factors.map((factor) => factorOf(factor, nameOf)).filter(({ levels }) => levels.length > 0);
  if (factors.length === 0) return null;
  const levels = factors.map((factor) => factor.levels.length);
  const [repeats, controls] = [values.repeats ?? 1, values.controls ?? 0];
  const pieces = pieceCount(values.design, levels, repeats, controls);
  const cut = pieces === null ? [] : cutsOf({ factors, design: values.design, repeats: 1, controls: 0, lotId: values.lotId ?? '' }, 1);
  return {
    cells: cellCount(values.design, levels),
    pieces,
    baths: bathCount(
      { factors },
      cut.flatMap((own) => own.pieces.map((piece) => ({ ...piece, lotId: piece.code }))),
    ),
    notTold:
      pieces === null
        ? [`More than ${MOST_PIECES} pieces cannot be cut: take fewer levels, fewer of each, or a smaller design.`]
        : cannotTell(values.design, levels, repeats),
  };
}
