import type { FileDoorId } from '@/contract/fileDoors';
import { hexOfLab } from '@/core/colour/lab';
import { cssText, gplText } from '@/core/colour/palette';
import { swatchName } from '@/core/swatch/swatch';
import type { App } from './app';
import { allSwatches } from './looks';

const KINDS = { gplPalette: 'gpl', cssPalette: 'css' } as const satisfies Partial<Record<FileDoorId, string>>;
type PaletteId = keyof typeof KINDS;

export const isPalette = (id: FileDoorId): id is PaletteId => id in KINDS;

/** The colours of the wall as a palette: GPL text, or custom properties of CSS. What nobody read a colour of is not in it. */
export async function paletteAt(app: App, id: PaletteId): Promise<Response> {
  const kind = KINDS[id];
  const colours = (await allSwatches(app)).flatMap(({ lot, swatch, gets }) =>
    swatch.colour ? [{ name: `${swatchName(swatch, gets)} on ${lot.name}`, hex: hexOfLab(swatch.colour.lab) }] : [],
  );
  return new Response(kind === 'css' ? cssText(colours) : gplText('Swatches', colours), {
    headers: {
      'content-type': `text/${kind === 'css' ? 'css' : 'plain'}; charset=utf-8`,
      'content-disposition': `attachment; filename="swatches.${kind}"`,
      'cache-control': 'no-store',
    },
  });
}
