import dayjs, { type Dayjs } from 'dayjs';
import updateLocale from 'dayjs/plugin/updateLocale';
import type { Measures } from '@/core/measure/measures';
import type { Printer } from '@/core/measure/printer';
import { wallTime, zonedMs } from '@/core/time/zone';

dayjs.extend(updateLocale);

/** Calendars begin their weeks as the home does; to be called while one is drawn, since it reads this as it draws itself. */
export const weeksStartAsIn = ({ weekStart }: Measures): void => {
  dayjs.updateLocale('en', { weekStart });
};

/** Date pickers think in the device's own zone; the home may be elsewhere. They are given the home's wall clock as if it were the device's. */
export function dayjsIn(ms: number, zone: string): Dayjs {
  const wall = wallTime(ms, zone);
  return dayjs(new Date(wall.year, wall.month - 1, wall.day, wall.hour, wall.minute));
}
export const msFromPicker = (value: Dayjs, zone: string): number => zonedMs(zone, value.year(), value.month() + 1, value.date(), value.hour(), value.minute());

export const DAY_FORMAT = { dmy: 'ddd D MMM YYYY', mdy: 'ddd MMM D YYYY', ymd: 'YYYY-MM-DD' } as const;
export const dayFormats = (print: Printer): string[] => {
  const own = DAY_FORMAT[print.measures.dateOrder];
  return [own, ...(print.measures.dateOrder === 'mdy' ? ['M/D/YYYY'] : ['D/M/YYYY', 'D.M.YYYY']), 'YYYY-MM-DD'].filter((one, i, all) => all.indexOf(one) === i);
};
