import { countText } from '@/core/measure/print';

/** What is there of fibre and kitchen in words, and which of the three steps comes next: 0 fibre, 1 kitchen, 2 plan. */
export function firstSteps(lotCount: number, vesselCount: number): { readonly current: 0 | 1 | 2; readonly fibre: string; readonly kitchen: string } {
  return {
    current: lotCount === 0 ? 0 : vesselCount === 0 ? 1 : 2,
    fibre: lotCount === 0 ? 'What it is, and what it weighs dry. “Unknown” is a good answer.' : `${countText(lotCount, 'lot')} added.`,
    kitchen:
      vesselCount === 0
        ? 'Pots, pails and a line. Start with a usual kitchen and change it to yours, or skip this: a plan says what it lacks.'
        : `${countText(vesselCount, 'vessel')} there.`,
  };
}
