'use client';
import { isSpan, type Known, knownText, type Span } from '@/core/figure';
import { printFigure } from '@/core/measure/print';
import type { Param } from '@/core/method/method';
import { Field } from '../form/Field';
import { FigureInput } from '../form/FigureInput';
import { paramReader, type Read, type Reader, rangedParamReader } from '../form/typed';
import { usePrint } from '../shell/facts';

export const STANDING_WORD = { practice: '', uncertain: 'uncertain', estimate: 'our estimate' } as const;

interface Props {
  readonly param: Param;
  readonly usual: number | null;
  readonly value: Known | undefined;
  /** A range may stand here: "6–8 h". */
  readonly ranged: boolean;
  /** It is one end of a band: a range sets both. */
  readonly onBand?: ((low: number, high: number) => void) | undefined;
  readonly onChange: (value: Known) => void;
}

/** One figure, or else a range with both its ends. */
const firstOf = (one: Read<number | null>, range: Read<number | Span | null>): Read<number | Span | null> =>
  !one.ok && range.ok && isSpan(range.value) && range.value.most !== null ? range : one;

/** One figure of a method: typed as people write it, unknown when empty, pointed out when it is out of range. */
export function ParamField({ param, usual, value, ranged, onBand, onChange }: Props) {
  const print = usePrint();
  const standing = STANDING_WORD[param.standing];
  const written = (figure: number | Span) => knownText(figure, (one) => (param.unit === '°C' ? print.temperature(one) : printFigure(one, param.unit)));
  const { unit, min, max } = param;
  const one = paramReader(unit, min, max, print.measures);
  const range = rangedParamReader(unit, min, max);
  const read: Reader<number | Span> = ranged ? range : onBand ? (text) => firstOf(one(text), range(text)) : one;
  const take = (known: Known) => (onBand && isSpan(known) && known.most !== null ? onBand(known.least, known.most) : onChange(known));
  return (
    <Field label={`${param.label}${standing ? ` (${standing})` : ''}`}>
      {(id) => (
        <FigureInput<number | Span>
          id={id}
          value={value === undefined ? usual : value}
          read={read}
          print={written}
          hint={`usually ${usual === null ? 'no figure in common use' : written(usual)}`}
          onChange={take}
        />
      )}
    </Field>
  );
}
