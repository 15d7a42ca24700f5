'use client';
import { Form } from 'antd';
import type { ReactNode } from 'react';
import type { Measures } from '@/core/measure/measures';
import { usePrint } from '../shell/facts';
import { TypedInput } from './TypedInput';
import type { Reader } from './typed';

interface Props {
  readonly name: string | (string | number)[];
  readonly label: ReactNode;
  readonly read: (measures: Measures) => Reader<unknown>;
  /** What to do when nothing is typed; left out where that is fine. */
  readonly required?: string;
  readonly placeholder?: string;
  readonly hint?: ReactNode;
  readonly disabled?: boolean;
  readonly autoFocus?: boolean;
}

/** A field of a form whose text is read as a figure. */
export function TypedItem({ name, label, read, required, hint, ...input }: Props) {
  const reader = read(usePrint().measures);
  return (
    <Form.Item
      name={name}
      label={label}
      extra={hint}
      validateTrigger="onBlur"
      rules={[
        {
          validator: (_rule, text: string | undefined) => {
            const got = reader(text ?? '');
            if (!got.ok) return Promise.reject(new Error(got.why));
            return required && got.value === null ? Promise.reject(new Error(required)) : Promise.resolve();
          },
        },
      ]}
    >
      <TypedInput inForm read={reader} {...input} />
    </Form.Item>
  );
}
