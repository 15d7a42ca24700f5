'use client';
import { Button, Dropdown } from 'antd';
import { printDuration } from '@/core/measure/print';
import { CALL_ACTS } from './acts';

const PUT_OFF_MIN = [2, 5, 10, 30, 60] as const;

/** A call that may wait is put off, or let go; the log says which. */
export function LaterMenu({
  onPutOff,
  onLetGo,
  goesAs = CALL_ACTS.letGo.label,
}: {
  onPutOff: (min: number) => void;
  onLetGo: (() => void) | null;
  goesAs?: string | undefined;
}) {
  const letGo = onLetGo ? [{ key: 'go', label: goesAs, onClick: onLetGo }] : [];
  return (
    <Dropdown
      trigger={['click']}
      menu={{ items: [...PUT_OFF_MIN.map((min) => ({ key: min, label: `in ${printDuration(min)}`, onClick: () => onPutOff(min) })), ...letGo] }}
    >
      <Button size="large" className="call-quiet">
        {CALL_ACTS.later.label}
      </Button>
    </Dropdown>
  );
}
