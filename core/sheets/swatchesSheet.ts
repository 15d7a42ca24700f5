import { hexOfLab } from '../colour/lab';
import { factorsOf } from '../compare/passports';
import type { Lot } from '../fibre/lot';
import { colourByText, lightText, stateText, verdictText } from '../swatch/look';
import { type Swatch, swatchDetail, swatchName } from '../swatch/swatch';
import { type Cell, type Sheet, sheetTime, utcTime } from './sheet';

/** Every result with all that made it: a column for each factor that stands in any of them. */
export function swatchesSheet(results: readonly { readonly lot: Lot; readonly swatch: Swatch; readonly gets?: string | null }[], zone: string): Sheet {
  const made = results.map(({ lot, swatch, gets = null }) => ({ lot, swatch, gets, factors: new Map(factorsOf({ ...lot, passport: swatch.passport })) }));
  const factors = [...new Set(made.flatMap((one) => [...one.factors.keys()]))];
  return {
    head: [
      'id',
      'result',
      'detail',
      'lot',
      'last looked',
      'last looked, UTC',
      'sRGB',
      'L*',
      'a*',
      'b*',
      'fibre was',
      'light',
      'how it was got',
      'spread, ΔE',
      'said',
      'looks',
      ...factors,
    ],
    rows: [
      made.map(({ lot, swatch, gets, factors: own }): Cell[] => [
        swatch.id,
        swatchName(swatch, gets),
        swatchDetail(swatch),
        lot.name,
        sheetTime(swatch.atMs, zone),
        utcTime(swatch.atMs),
        ...colourCells(swatch),
        verdictText(swatch.verdict),
        swatch.looks.length,
        ...factors.map((what) => own.get(what) ?? null),
      ]),
    ],
  };
}

function colourCells({ colour }: Swatch): Cell[] {
  if (!colour) return [null, null, null, null, null, null, null, null];
  const { lab, by, state, light } = colour;
  const two = (value: number): number => Math.round(value * 100) / 100;
  return [
    hexOfLab(lab),
    two(lab.l),
    two(lab.a),
    two(lab.b),
    stateText(state),
    lightText(light),
    colourByText(by),
    by.kind === 'picture' ? two(by.spread) : null,
  ];
}
