import { expect, test } from 'vitest';
import { seededChance } from '@/core/chance';
import { readPatch } from '@/core/colour/patch';
import { foldPassport } from '@/core/fibre/passport';
import { look } from '@/core/swatch/look.fixture';
import { swatchesOf } from '@/core/swatch/swatch';
import { nearest, type OnWall } from '@/core/swatch/wall';
import { median, report } from './report';

test('the nearest of 20,000 colours', async () => {
  const chance = seededChance(3);
  const lab = () => ({ l: 20 + 70 * chance(), a: 60 * (chance() - 0.3), b: 80 * (chance() - 0.2) });
  const wall = Array.from({ length: 20_000 }, (_, i): OnWall => ({ id: String(i), colour: { lab: lab() }, dyes: [], atMs: i, words: '' }));
  const to = lab();
  const bare = await median(21, () => wall.map((one) => one.colour && (one.colour.lab.l - to.l) ** 2).sort((a, b) => Number(a) - Number(b)));
  const ms = await median(21, () => nearest(wall, to));
  report('nearest of 20,000 colours, median', ms, 'ms of 50', 50, `${(ms / bare).toFixed(1)} × sorting them by lightness alone (${bare.toFixed(1)} ms)`);
  expect(nearest(wall, to)).toHaveLength(20_000);
});

test('a result of 200 looks is folded', async () => {
  const lab = { l: 50, a: 0, b: 0 };
  const looks = Array.from({ length: 200 }, (_, i) => look(`l${i}`, 200 - i, { colour: { lab, by: { kind: 'typed' } } }));
  const passport = foldPassport([]);
  const [fold, text] = [await median(301, () => swatchesOf('lot', passport, looks)), JSON.stringify(looks)];
  report(
    'a result of 200 looks folded, median',
    fold,
    'ms of 1',
    1,
    `${(fold / (await median(301, () => JSON.parse(text)))).toFixed(2)} × reading its looks as JSON`,
  );
});

test('a patch of a picture of 24 megapixels is read', async () => {
  const rgba = new Uint8ClampedArray(700 * 700 * 4).map((_, i) => (i % 4 === 3 ? 255 : 90 + ((i * 7919) % 60)));
  const ms = await median(5, () => readPatch(rgba));
  // A square of an eighth of the long side of 5,656 px.
  report('a patch of 700 × 700 px read, median', ms, 'ms of 1000', 1000, 'half a megapixel, in a worker of the page');
});
