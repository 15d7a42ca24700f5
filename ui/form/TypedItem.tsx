'use client';
import { Form } from 'antd';
import type { ComponentProps, ReactNode } from 'react';
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
  /** What stands there is a start: the first key goes over it. */
  readonly typesOver?: boolean;
}

/** A field of a form whose text is read as a figure. */
export function TypedItem({ name, label, read, required, hint, typesOver = false, ...input }: Props) {
  const reader = read(usePrint().measures);
  return (
    <Form.Item
      name={name}
      label={label}
      extra={hint}
      // Only when it is sent: what comes or goes under a field that is left by a tap would take that tap.
      validateTrigger={[]}
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
      <InItem read={reader} {...input} {...(typesOver ? { onFocus: (event) => event.target.select() } : {})} />
    </Form.Item>
  );
}

/** Says what is wrong once it is left, until the form itself says it. */
function InItem(props: Omit<ComponentProps<typeof TypedInput>, 'inForm' | 'isTold'>) {
  const { errors } = Form.Item.useStatus();
  return <TypedInput inForm isTold={errors.length > 0} {...props} />;
}
