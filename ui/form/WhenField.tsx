'use client';
import { CalendarOutlined } from '@ant-design/icons';
import { Button, Space } from 'antd';
import { useState } from 'react';
import { parseWhen } from '@/core/time/parseWhen';
import { nowMs } from '../api/serverClock';
import { usePrint } from '../shell/facts';
import { later } from '../shell/later';
import { Field } from './Field';
import { TypedInput } from './TypedInput';
import type { Reader } from './typed';

// The calendar is heavy and seldom wanted: most people type.
const CalendarPick = later(() => import('./CalendarPick').then((module) => module.CalendarPick));

interface WhenFieldProps {
  readonly value: number | null;
  readonly onChange: (ms: number | null) => void;
  readonly id: string;
  readonly label: string;
  /** May be emptied. */
  readonly optional?: boolean;
  readonly placeholder?: string;
  /** Of what has happened: a bare time is the last one past. */
  readonly isPast?: boolean;
}

/** A moment, typed as people write it ("Sat 9:30") or picked from a calendar; what was understood stands under it. */
export function WhenField({ value, onChange, id, label, optional = false, placeholder, isPast = false }: WhenFieldProps) {
  const print = usePrint();
  const [text, setText] = useState<string | null>(null);
  const [open, setOpen] = useState(false);
  const context = { nowMs: nowMs(), zone: print.zone, dateOrder: print.measures.dateOrder, isPast };
  const written = value === null ? '' : print.date(value, context.nowMs);
  const read: Reader<number> = (typed) => {
    if (typed.trim() === '' && optional) return { ok: true, value: null, says: '' };
    if (typed === written) return { ok: true, value, says: '' };
    const parsed = parseWhen(typed, context);
    return parsed.ok ? { ok: true, value: parsed.value, says: `= ${print.date(parsed.value, context.nowMs)}` } : { ok: false, why: parsed.error };
  };
  const done = () => {
    if (text === null) return;
    const got = read(text);
    if (!got.ok) return;
    if (got.value !== value) onChange(got.value);
    setText(null);
  };
  return (
    <>
      <Space.Compact block>
        <span style={{ flex: 1, minWidth: 0 }}>
          <TypedInput id={id} value={text ?? written} placeholder={placeholder ?? 'Sat 9:30'} read={read} onChange={setText} onDone={done} />
        </span>
        <Button icon={<CalendarOutlined aria-hidden="true" />} aria-label={`${label}: calendar`} onClick={() => setOpen(!open)} />
      </Space.Compact>
      {open ? (
        <CalendarPick
          value={value}
          label={`${label}: day and time`}
          optional={optional}
          onClose={() => setOpen(false)}
          onPick={(ms) => {
            setText(null);
            onChange(ms);
          }}
        />
      ) : null}
    </>
  );
}

/** The same with its label over it, outside a form. */
export const LabelledWhen = (props: Omit<WhenFieldProps, 'id'>) => <Field label={props.label}>{(id) => <WhenField id={id} {...props} />}</Field>;
