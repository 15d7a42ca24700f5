/** A colour with its name, as a palette holds it. */
export interface Named {
  readonly name: string;
  /** sRGB, "#rrggbb". */
  readonly hex: string;
}

const oneLine = (text: string): string => text.replaceAll(/\s+/g, ' ').trim();
const codes = (hex: string): number[] => [1, 3, 5].map((at) => Number.parseInt(hex.slice(at, at + 2), 16));

/** A palette as text in the GPL form that drawing programs read: a line a colour, red, green, blue and a name. */
export const gplText = (title: string, colours: readonly Named[]): string =>
  [
    'GIMP Palette',
    `Name: ${oneLine(title)}`,
    'Columns: 8',
    '#',
    ...colours.map(
      ({ hex, name }) =>
        `${codes(hex)
          .map((code) => String(code).padStart(3))
          .join(' ')}\t${oneLine(name)}`,
    ),
    '',
  ].join('\n');

/** A palette as custom properties of CSS; two of one name are numbered. */
export function cssText(colours: readonly Named[]): string {
  const used = new Map<string, number>();
  const lines = colours.map(({ hex, name }) => {
    const base =
      oneLine(name)
        .toLowerCase()
        .normalize('NFKD')
        .replaceAll(/[^a-z\d]+/g, '-')
        .replaceAll(/^-+|-+$/g, '') || 'colour';
    const times = (used.get(base) ?? 0) + 1;
    used.set(base, times);
    return `  --${base}${times > 1 ? `-${times}` : ''}: ${hex};`;
  });
  return `:root {\n${lines.join('\n')}\n}\n`;
}
