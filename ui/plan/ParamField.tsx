'use client';
import { Input } from 'antd';
import { useState } from 'react';
import { parseParam } from '@/core/measure/parseParam';
import { printNumber } from '@/core/measure/print';
import type { Param } from '@/core/method/method';

export const STANDING_WORD = { practice: '', uncertain: 'uncertain', estimate: 'our estimate' } as const;

/** One figure of a method: typed as people write it, unknown when empty, pointed out when it is out of range. */
export function ParamField({
  param,
  usual,
  value,
  onChange,
}: {
  param: Param;
  usual: number | null;
  value: number | null | undefined;
  onChange: (value: number | null) => void;
}) {
  const shown = value === undefined ? usual : value;
  const [text, setText] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const finish = () => {
    if (text === null) return;
    const parsed = parseParam(text, param.unit);
    if (!parsed.ok) return setProblem(parsed.error);
    const number = parsed.value;
    if (number !== null && (number < param.min || number > param.max)) return setProblem(`Between ${param.min} and ${param.max} ${param.unit}.`);
    setProblem(null);
    setText(null);
    onChange(number);
  };
  const standing = STANDING_WORD[param.standing];
  return (
    <label
      className="field"
      title={`Usually ${usual === null ? 'no figure in common use' : `${printNumber(usual)} ${param.unit}`}${standing ? ` (${standing})` : ''}`}
    >
      <span>
        {param.label}
        {standing ? <span className="quiet"> ({standing})</span> : null}
      </span>
      <Input
        value={text ?? (shown === null ? '' : String(Math.round(shown * 1000) / 1000))}
        placeholder="unknown"
        suffix={param.unit}
        status={problem ? 'error' : ''}
        onChange={(event) => setText(event.target.value)}
        onBlur={finish}
        onPressEnter={finish}
      />
      {problem ? (
        <span className="field-error" role="alert">
          {problem}
        </span>
      ) : null}
    </label>
  );
}
