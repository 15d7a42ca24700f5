'use client';
import { Radio } from 'antd';
import { hexOfLab, type Lab } from '@/core/colour/lab';

/** Hues that plants give, by their angle in CIELAB and how strong they are drawn. */
const HUES: readonly (readonly [string, number, number])[] = [
  ['rose', 10, 32],
  ['red brown', 42, 38],
  ['orange', 62, 52],
  ['gold', 80, 52],
  ['yellow', 95, 58],
  ['olive', 108, 32],
  ['green', 140, 28],
  ['blue green', 200, 22],
  ['blue', 265, 30],
  ['violet', 310, 26],
  ['grey brown', 70, 10],
];
const STEPS: readonly (readonly [string, number])[] = [
  ['very pale', 86],
  ['pale', 74],
  ['medium', 60],
  ['dark', 44],
  ['very dark', 28],
];

interface Chip {
  readonly key: string;
  readonly says: string;
  readonly lab: Lab;
}
const RAD = Math.PI / 180;
const CHIPS: readonly Chip[] = STEPS.flatMap(([step, l]) =>
  HUES.map(([hue, angle, chroma]): Chip => {
    // Very pale and very dark ones are less strong, as on fibre.
    const c = chroma * (1 - Math.abs(l - 62) / 62);
    return { key: `${hue}-${step}`, says: `${hue}, ${step}`, lab: { l, a: c * Math.cos(angle * RAD), b: c * Math.sin(angle * RAD) } };
  }),
);

interface Props {
  readonly value?: string | undefined;
  readonly onChange?: (key: string) => void;
}

export const eyeLab = (key: string): Lab | null => CHIPS.find((chip) => chip.key === key)?.lab ?? null;

/** Drawn colours to hold the fibre against: the nearest is tapped. */
export function EyeScale({ value, onChange }: Props) {
  return (
    <Radio.Group
      aria-label="Nearest drawn colour"
      value={value}
      onChange={(event) => onChange?.(event.target.value as string)}
      style={{ display: 'grid', gridTemplateColumns: `repeat(${HUES.length}, 1fr)`, gap: 4, padding: 8, background: 'var(--swatch-ground)' }}
    >
      {CHIPS.map(({ key, says, lab }) => (
        <Radio.Button
          key={key}
          value={key}
          aria-label={says}
          title={says}
          style={{ background: hexOfLab(lab), borderRadius: 0, padding: 0, height: 36, borderWidth: value === key ? 3 : 0, borderColor: '#1c1c1c' }}
        />
      ))}
    </Radio.Group>
  );
}
