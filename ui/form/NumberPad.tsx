'use client';
import { Button } from 'antd';
import { useState } from 'react';
import { type PadKey, padText } from './padText';

interface Props {
  readonly text: string;
  readonly onText: (text: string) => void;
  /** A little less and a little more than what stands there. */
  readonly step: number;
}

const DIGITS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '.', '0', '–'] as const;

/** Large keys for wet fingers, beside whatever keyboard there is: the last value stands there, and is stepped or typed over. */
export function NumberPad({ text, onText, step }: Props) {
  // What stood there, or was stepped to, is typed over by the next digit; what is typed on another keyboard is gone on with.
  const [made, setMade] = useState<string | null>(text);
  const press = (key: PadKey) => {
    const next = padText(text, key, made === text);
    setMade('step' in key ? next : null);
    onText(next);
  };
  const key = (label: string, what: PadKey, says?: string) => (
    <Button key={label} onClick={() => press(what)} {...(says ? { 'aria-label': says } : {})}>
      {label}
    </Button>
  );
  return (
    <fieldset className="plain-set number-pad" aria-label="Number pad">
      {key(`−${step}`, { step: -step }, `less by ${step}`)}
      {key('⌫', { back: true }, 'take the last sign away')}
      {key(`+${step}`, { step }, `more by ${step}`)}
      {DIGITS.map((digit) => key(digit, { put: digit }, digit === '–' ? 'to' : undefined))}
    </fieldset>
  );
}
