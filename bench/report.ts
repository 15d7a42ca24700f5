/** One row of the bench: a ratio, what it is a ratio to, and its budget. */
export function report(what: string, ratio: number, of: string, budget: number, detail: string): void {
  process.stdout.write(`${ratio <= budget ? 'within' : 'OVER  '}  ${what}: ${ratio.toFixed(2)} ${of} (budget ${Number(budget.toFixed(2))})  [${detail}]\n`);
}

export async function timed(work: () => Promise<unknown>): Promise<number> {
  const from = performance.now();
  await work();
  return performance.now() - from;
}

export const sorted = (values: readonly number[]): number[] => [...values].sort((a, b) => a - b);

/** @param values in rising order @param q in [0, 1] */
export const quantile = (values: readonly number[], q: number): number => values[Math.min(values.length - 1, Math.floor(values.length * q))] ?? Number.NaN;

/** Of so many times, ms. */
export const median = async (times: number, work: () => unknown): Promise<number> => {
  const ms: number[] = [];
  for (let i = 0; i < times; i++) ms.push(await timed(async () => void work()));
  return quantile(sorted(ms), 0.5);
};

/** The middle one; of an even number the higher of the two. */
export const middle = (values: readonly number[]): number => quantile(sorted(values), 0.5);
