'use client';
import { DatePicker } from 'antd';
import { usePrint } from '../shell/facts';
import { DAY_FORMAT, dayjsIn, msFromPicker, weeksStartAsIn } from './pickerDays';

interface Props {
  readonly value: number | null;
  readonly label: string;
  readonly optional: boolean;
  readonly onPick: (ms: number | null) => void;
  readonly onClose: () => void;
}

/** A calendar with the home's clock, opened at once. */
export function CalendarPick({ value, label, optional, onPick, onClose }: Props) {
  const { measures, zone } = usePrint();
  weeksStartAsIn(measures);
  const time = measures.clock === '24h' ? 'HH:mm' : 'h:mm a';
  return (
    <DatePicker
      open
      autoFocus
      aria-label={label}
      showTime={{ format: time, use12Hours: measures.clock === '12h', minuteStep: 5 }}
      format={`${DAY_FORMAT[measures.dateOrder]} ${time}`}
      value={value === null ? null : dayjsIn(value, zone)}
      allowClear={optional}
      onOpenChange={(open) => !open && onClose()}
      onChange={(picked) => {
        if (picked || optional) onPick(picked ? msFromPicker(picked, zone) : null);
        onClose();
      }}
      style={{ width: '100%' }}
    />
  );
}
