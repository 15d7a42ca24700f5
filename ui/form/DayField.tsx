'use client';
import { DatePicker } from 'antd';
import { usePrint } from '../shell/facts';
import { dayFormats, dayjsIn, msFromPicker, weeksStartAsIn } from './pickerDays';

interface DayFieldProps {
  readonly value?: number | null;
  readonly onChange?: (ms: number | null) => void;
  readonly id?: string;
  readonly placeholder?: string;
}

/** A day, without a time. */
export function DayField({ value = null, onChange, id, placeholder = 'no date' }: DayFieldProps) {
  const print = usePrint();
  weeksStartAsIn(print.measures);
  return (
    <DatePicker
      {...(id ? { id } : {})}
      value={value === null ? null : dayjsIn(value, print.zone)}
      format={dayFormats(print)}
      placeholder={placeholder}
      preserveInvalidOnBlur
      onChange={(day) => onChange?.(day ? msFromPicker(day, print.zone) : null)}
      style={{ width: '100%' }}
    />
  );
}
