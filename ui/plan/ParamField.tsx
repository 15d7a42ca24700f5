'use client';
import { printFigure } from '@/core/measure/print';
import type { Param } from '@/core/method/method';
import { Field } from '../form/Field';
import { FigureInput } from '../form/FigureInput';
import { paramReader } from '../form/typed';
import { usePrint } from '../shell/facts';

export const STANDING_WORD = { practice: '', uncertain: 'uncertain', estimate: 'our estimate' } as const;

interface Props {
  readonly param: Param;
  readonly usual: number | null;
  readonly value: number | null | undefined;
  readonly onChange: (value: number | null) => void;
}

/** One figure of a method: typed as people write it, unknown when empty, pointed out when it is out of range. */
export function ParamField({ param, usual, value, onChange }: Props) {
  const print = usePrint();
  const standing = STANDING_WORD[param.standing];
  const written = (figure: number) => (param.unit === '°C' ? print.temperature(figure) : printFigure(figure, param.unit));
  return (
    <Field label={`${param.label}${standing ? ` (${standing})` : ''}`}>
      {(id) => (
        <FigureInput
          id={id}
          value={value === undefined ? usual : value}
          read={paramReader(param.unit, param.min, param.max, print.measures)}
          print={written}
          hint={`usually ${usual === null ? 'no figure in common use' : written(usual)}`}
          onChange={onChange}
        />
      )}
    </Field>
  );
}
