import type { Measures } from './measures';

/** An hour (0–23) and minute of the wall clock as one dyer reads it: "09:42" or "9:42 am". */
export function clockText(hour: number, minute: number, clock: Measures['clock']): string {
  const minutes = String(minute).padStart(2, '0');
  return clock === '24h' ? `${String(hour).padStart(2, '0')}:${minutes}` : `${hour % 12 === 0 ? 12 : hour % 12}:${minutes} ${hour < 12 ? 'am' : 'pm'}`;
}
