'use client';
import { InputNumber, Select, Space } from 'antd';
import type { Param, Ref } from '@/core/method/method';
import { Field } from '../form/Field';

interface Props {
  readonly label: string;
  readonly value: Ref | null;
  readonly params: readonly Param[];
  readonly optional?: boolean;
  readonly onChange: (value: Ref | null) => void;
}

const OWN = '#number';
const NONE = '#none';

/** A number of its own, or one of the method's figures. */
export function RefField({ label, value, params, optional = false, onChange }: Props) {
  const chosen = value === null ? NONE : typeof value === 'number' ? OWN : value.param;
  return (
    <Field label={label}>
      {(id) => (
        <Space.Compact block>
          <Select
            id={id}
            value={chosen}
            popupMatchSelectWidth={false}
            options={[
              ...(optional ? [{ value: NONE, label: 'none' }] : []),
              { value: OWN, label: 'a fixed number' },
              ...params.map((param) => ({ value: param.key, label: `“${param.label}”` })),
            ]}
            onChange={(next) => onChange(next === NONE ? null : next === OWN ? (typeof value === 'number' ? value : 10) : { param: next })}
            style={{ flex: 1, minWidth: 0 }}
          />
          {typeof value === 'number' ? (
            <InputNumber aria-label={`${label}, number`} value={value} onChange={(number) => onChange(number ?? 0)} style={{ width: 96 }} />
          ) : null}
        </Space.Compact>
      )}
    </Field>
  );
}
