/** Keys of the number pad; a step changes the figure that stands there. */
export type PadKey = { readonly put: string } | { readonly back: true } | { readonly step: number };

const FIGURE = /-?\d+(?:\.\d+)?/;
const decimals = (figure: string): number => figure.split('.')[1]?.length ?? 0;

/**
 * The text after a key of the pad.
 * @param isFresh nobody touched it yet: the first digit begins anew, a step goes on from what stands there
 */
export function padText(text: string, key: PadKey, isFresh: boolean): string {
  if ('back' in key) return isFresh ? '' : text.slice(0, -1);
  if ('put' in key) return (isFresh ? '' : text) + key.put;
  const { step } = key;
  const had = FIGURE.exec(text)?.[0];
  if (had === undefined) return text;
  const digits = Math.max(decimals(had), decimals(String(Math.abs(step))));
  return text.replace(FIGURE, (Number(had) + step).toFixed(digits));
}
