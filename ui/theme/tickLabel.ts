/** A figure along an axis, with as many decimals as tell it from its neighbour. @param all the figures of the axis, in order */
export function tickLabel(value: number, all: readonly number[]): string {
  const stepOf = Math.abs((all[1] ?? 0) - (all[0] ?? 0));
  const decimals = stepOf > 0 ? Math.min(6, Math.max(0, Math.ceil(-Math.log10(stepOf) - 1e-9))) : 0;
  // 2.5 apart wants its half too.
  const more = stepOf > 0 && Math.abs(stepOf * 10 ** decimals - Math.round(stepOf * 10 ** decimals)) > 1e-6 ? 1 : 0;
  return value.toFixed(decimals + more).replace('-', '−');
}
