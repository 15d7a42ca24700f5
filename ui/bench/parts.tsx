'use client';
import { Select } from 'antd';
import type { ReactNode } from 'react';
import { resultOf, type Working } from '@/core/dose/working';
import { knownText } from '@/core/figure';
import { Field } from '../form/Field';
import { TypedInput } from '../form/TypedInput';
import type { Reader } from '../form/typed';
import { Help } from '../shell/Help';
import { WorkingLines } from '../shell/WorkingLines';
import type { Address } from './useAddress';

interface AskProps {
  readonly address: Address;
  readonly name: string;
  readonly label: string;
  readonly otherwise: string;
  readonly read: Reader<unknown>;
  readonly hint?: string;
}

/** A field of a tool, kept in the address. */
export const Ask = ({ address, name, label, otherwise, read, hint }: AskProps) => (
  <Field label={label}>
    {(id) => <TypedInput id={id} value={address.get(name, otherwise)} read={read} hint={hint} onChange={(text) => address.set({ [name]: text })} />}
  </Field>
);

interface ChooseProps {
  readonly address: Address;
  readonly name: string;
  readonly label: string;
  readonly otherwise: string;
  readonly options: readonly { readonly value: string; readonly label: string }[];
}

export const Choose = ({ address, name, label, otherwise, options }: ChooseProps) => (
  <Field label={label}>
    {(id) => (
      <Select
        id={id}
        value={address.get(name, otherwise)}
        showSearch={options.length > 8 ? { optionFilterProp: 'label' } : false}
        options={[...options]}
        onChange={(value: string) => address.set({ [name]: value })}
        style={{ width: '100%' }}
      />
    )}
  </Field>
);

/** A result, large, with its working behind the same word as everywhere. */
export function Result({ what, working, print }: { what: string; working: Working; print: (value: number) => string }) {
  const result = resultOf(working);
  return (
    <Answer
      what={what}
      help={
        <Help word="working" of={what}>
          <WorkingLines working={working} />
        </Help>
      }
    >
      {result === null ? `unknown until you know: ${working.missing.join(', ')}` : knownText(result, print)}
    </Answer>
  );
}

export const Answer = ({ what, children, help }: { what: string; children: ReactNode; help?: ReactNode }) => (
  <p className="bench-answer line line-tight" aria-live="polite">
    <span>{what}</span> <strong className="call-text">{children}</strong> {help}
  </p>
);
