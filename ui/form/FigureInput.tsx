'use client';
import { useState } from 'react';
import type { Span } from '@/core/figure';
import { TypedInput } from './TypedInput';
import type { Reader } from './typed';

interface Props<T extends number | Span> {
  readonly id?: string;
  readonly label?: string;
  readonly value?: T | null;
  readonly onChange?: (value: T | null) => void;
  readonly read: Reader<T>;
  readonly print: (value: T) => string;
  readonly placeholder?: string;
  readonly disabled?: boolean;
  readonly hint?: string;
  /** A form says faults by itself; elsewhere the field does. */
  readonly inForm?: boolean;
}

/** A figure typed in any writing that its reader knows; what cannot be read stays as it was typed, is pointed out, and changes nothing. */
export function FigureInput<T extends number | Span = number>(props: Props<T>) {
  const { id, label, value = null, onChange, read, print, placeholder = 'unknown', disabled = false, hint = '', inForm = false } = props;
  const [text, setText] = useState<string | null>(null);
  const shown = text ?? (value === null ? '' : print(value));
  const take = (typed: string) => {
    setText(typed);
    const got = read(typed);
    if (got.ok && got.value !== value) onChange?.(got.value);
  };
  const done = () => {
    if (text !== null && read(text).ok) setText(null);
  };
  return (
    <TypedInput
      {...(id ? { id } : {})}
      {...(label ? { 'aria-label': label } : {})}
      value={shown}
      read={read}
      placeholder={placeholder}
      disabled={disabled}
      inForm={inForm}
      hint={hint}
      onChange={take}
      onDone={done}
    />
  );
}
