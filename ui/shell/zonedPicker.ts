import dayjs, { type Dayjs } from 'dayjs';
import { wallTime, zonedMs } from '@/core/time/zone';

/**
 * Date pickers think in the device's own zone; the home may be elsewhere. They are given the home's wall clock as if it
 * were the device's, and what comes back is read as the home's.
 */
export function dayjsIn(ms: number, zone: string): Dayjs {
  const wall = wallTime(ms, zone);
  return dayjs(new Date(wall.year, wall.month - 1, wall.day, wall.hour, wall.minute));
}

export const msFromPicker = (value: Dayjs, zone: string): number => zonedMs(zone, value.year(), value.month() + 1, value.date(), value.hour(), value.minute());
