import type { PlantForm } from './dyestuff';

export const PREPARATIONS = ['whole', 'chopped', 'crushed', 'ground'] as const;
export const PLANT_SOURCES = ['picked', 'fallen', 'grown', 'bought', 'spent'] as const;

/** What a plant was like when it went in: nobody has to say, and what nobody said is left open. */
export interface PlantDetail {
  readonly form: PlantForm | null;
  readonly preparation: (typeof PREPARATIONS)[number] | null;
  readonly source: (typeof PLANT_SOURCES)[number] | null;
  /** When it was gathered, in the dyer's words: "late July". */
  readonly season: string;
}

export const NO_DETAIL: PlantDetail = { form: null, preparation: null, source: null, season: '' };

/** "fresh, chopped, fallen, late July"; empty while nobody said. */
export const plantWords = ({ form, preparation, source, season }: PlantDetail): string => [form, preparation, source, season.trim()].filter(Boolean).join(', ');
