'use client';
import type { ReactNode } from 'react';
import type { Working } from '@/core/dose/working';
import { printNumber } from '@/core/measure/print';
import { Field } from '../shell/Field';
import type { Address } from './useAddress';

interface TextProps {
  readonly address: Address;
  readonly name: string;
  readonly label: string;
  readonly otherwise: string;
  readonly problem?: string | null;
  readonly hint?: string;
}

/** A field of a tool, kept in the address. */
export function Ask({ address, name, label, otherwise, problem, hint }: TextProps) {
  return (
    <Field label={label} problem={problem ?? undefined} hint={problem ? undefined : hint}>
      <input
        className="bench-input"
        value={address.get(name, otherwise)}
        aria-invalid={problem ? true : undefined}
        onChange={(event) => address.set({ [name]: event.target.value })}
      />
    </Field>
  );
}

export function Choose({
  address,
  name,
  label,
  otherwise,
  options,
}: {
  readonly address: Address;
  readonly name: string;
  readonly label: string;
  readonly otherwise: string;
  readonly options: readonly { readonly value: string; readonly label: string }[];
}) {
  return (
    <label className="field">
      <span>{label}</span>
      <select className="pick" value={address.get(name, otherwise)} onChange={(event) => address.set({ [name]: event.target.value })}>
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.label}
          </option>
        ))}
      </select>
    </label>
  );
}

/** A result, large, with its working under it. */
export function Result({ what, working, print }: { what: string; working: Working; print: (value: number) => string }) {
  return (
    <div className="bench-result" aria-live="polite">
      <p className="bench-answer">
        <span>{what}</span> <strong>{working.result === null ? 'unknown' : print(working.result)}</strong>
      </p>
      <p className="quiet small">
        {working.formula}
        {working.result === null
          ? `. Unknown until you know: ${working.missing.join(', ')}`
          : `: ${working.inputs.map((input) => `${input.name} ${input.value === null ? '?' : printNumber(input.value)}${input.unit ? ` ${input.unit}` : ''}`).join('; ')}`}
        . Source: {working.source}.
      </p>
    </div>
  );
}

export const Answer = ({ what, children }: { what: string; children: ReactNode }) => (
  <div className="bench-result" aria-live="polite">
    <p className="bench-answer">
      <span>{what}</span> <strong>{children}</strong>
    </p>
  </div>
);
