import type { Certainty, TreatmentKind } from '@/core/fibre/passport';

export const CERTAINTY_WORD: Record<Certainty, string> = { known: 'known', believed: 'believed', unknown: 'unknown', noneOnPurpose: 'none on purpose' };

/** The answer to "was it mordanted?" */
export const ANSWER_WORD: Record<Certainty, string> = { known: 'yes', believed: 'believed so', unknown: 'unknown', noneOnPurpose: 'no, on purpose' };

export const TREATMENT_WORD: Record<TreatmentKind, string> = {
  scour: 'scoured',
  tannin: 'tannin',
  mordant: 'mordant',
  iron: 'iron',
  dye: 'dyed',
  modifier: 'modifier',
  rest: 'rested',
  rinse: 'rinsed',
  dry: 'dried',
  resist: 'resist',
  wash: 'washed',
  cure: 'cured',
};
