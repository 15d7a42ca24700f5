'use client';
import { type Known, knownText, type Span } from '@/core/figure';
import { printFigure } from '@/core/measure/print';
import type { Param } from '@/core/method/method';
import { Field } from '../form/Field';
import { FigureInput } from '../form/FigureInput';
import { paramReader, type Reader, rangedParamReader } from '../form/typed';
import { usePrint } from '../shell/facts';

export const STANDING_WORD = { practice: '', uncertain: 'uncertain', estimate: 'our estimate' } as const;

interface Props {
  readonly param: Param;
  readonly usual: number | null;
  readonly value: Known | undefined;
  /** A range may stand here: "6–8 h". */
  readonly ranged: boolean;
  readonly onChange: (value: Known) => void;
}

/** One figure of a method: typed as people write it, unknown when empty, pointed out when it is out of range. */
export function ParamField({ param, usual, value, ranged, onChange }: Props) {
  const print = usePrint();
  const standing = STANDING_WORD[param.standing];
  const written = (figure: number | Span) => knownText(figure, (one) => (param.unit === '°C' ? print.temperature(one) : printFigure(one, param.unit)));
  const { unit, min, max } = param;
  const read: Reader<number | Span> = ranged ? rangedParamReader(unit, min, max) : paramReader(unit, min, max, print.measures);
  return (
    <Field label={`${param.label}${standing ? ` (${standing})` : ''}`}>
      {(id) => (
        <FigureInput<number | Span>
          id={id}
          value={value === undefined ? usual : value}
          read={read}
          print={written}
          hint={`usually ${usual === null ? 'no figure in common use' : written(usual)}`}
          onChange={onChange}
        />
      )}
    </Field>
  );
}
