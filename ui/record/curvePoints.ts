import type { Reading } from '@/core/hold/credit';

/**
 * Thins a curve for drawing: of each stretch the lowest and highest reading stay, so that no peak is lost and a chart of
 * `most` points looks like one of all of them.
 */
export function thinned(readings: readonly Reading[], most = 1200): Reading[] {
  if (readings.length <= most) return [...readings];
  const size = Math.ceil(readings.length / (most / 2));
  const kept: Reading[] = [];
  for (let i = 0; i < readings.length; i += size) {
    const part = readings.slice(i, i + size);
    const low = part.reduce((a, b) => (b.bathC < a.bathC ? b : a));
    const high = part.reduce((a, b) => (b.bathC > a.bathC ? b : a));
    kept.push(...(low === high ? [low] : low.atMs < high.atMs ? [low, high] : [high, low]));
  }
  return kept;
}
