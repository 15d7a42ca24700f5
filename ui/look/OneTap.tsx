'use client';
import { Segmented } from 'antd';

const UNSAID = '–';

interface Props<T extends string> {
  /** For who does not see the words beside it. */
  readonly label?: string;
  readonly words: Readonly<Record<T, string>>;
  /** Null: nobody said. */
  readonly value?: T | null;
  readonly onChange?: (value: T | null) => void;
}

/** A question that is answered in one tap, or left open. */
export function OneTap<T extends string>({ label, words, value = null, onChange }: Props<T>) {
  return (
    <Segmented<T | typeof UNSAID>
      {...(label === undefined ? {} : { 'aria-label': label })}
      value={value ?? UNSAID}
      options={[...(Object.keys(words) as T[]).map((key) => ({ value: key, label: words[key] })), { value: UNSAID, label: UNSAID, title: 'nothing said' }]}
      onChange={(chosen) => onChange?.(chosen === UNSAID ? null : chosen)}
    />
  );
}
