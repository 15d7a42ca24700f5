import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { deltaE00, hexOfLinear, type Linear, labOf, linearOf } from './lab';
import { correct, readPatch, unreadable } from './patch';

/** A drawn patch: what each pixel's light is, as eight-bit codes. */
function draw(pixels: number, lightAt: (i: number) => Linear): Uint8ClampedArray {
  const rgba = new Uint8ClampedArray(pixels * 4);
  for (let i = 0; i < pixels; i++) {
    const hex = hexOfLinear(lightAt(i));
    for (const k of [0, 1, 2]) rgba[i * 4 + k] = Number.parseInt(hex.slice(1 + 2 * k, 3 + 2 * k), 16);
    rgba[i * 4 + 3] = 255;
  }
  return rgba;
}
/** Repeatable noise, mean 0, at most `size` either way. */
function noise(seed: number, size: number): () => number {
  let state = seed;
  return () => {
    state = (state * 1664525 + 1013904223) % 4294967296;
    return ((state / 4294967296) * 2 - 1) * size;
  };
}
const times = (light: Linear, by: Linear): Linear => [light[0] * by[0], light[1] * by[1], light[2] * by[2]];
const read = (rgba: Uint8ClampedArray) => {
  const patch = readPatch(rgba);
  if (!patch) throw new Error('Nothing to read.');
  return patch;
};

describe('a patch of a picture', () => {
  test('of one colour is that colour, even', () => {
    const patch = read(draw(400, () => linearOf('#8b4513')));
    expect(hexOfLinear(patch.light)).toBe('#8b4513');
    expect(patch).toMatchObject({ leftOut: 0, burnt: 0, two: null });
    expect(patch.spread).toBeLessThan(0.01);
  });
  test('shadows between the threads and glare on them are left out, and how much is said', () => {
    const fibre = linearOf('#b08d3a');
    const patch = read(draw(1000, (i) => (i % 10 === 0 ? [0.01, 0.01, 0.01] : i % 10 === 1 ? [0.98, 0.98, 0.98] : fibre)));
    expect(deltaE00(labOf(hexOfLinear(patch.light)), labOf('#b08d3a'))).toBeLessThan(0.5);
    expect(patch.leftOut).toBeCloseTo(0.2, 2);
  });
  test('two colours in it are found, and are not mistaken for grain', () => {
    const two = read(draw(1000, (i) => linearOf(i % 3 === 0 ? '#8a5a20' : '#c8a040')));
    expect(two.two).not.toBeNull();
    const shaded = read(draw(1000, (i) => times(linearOf('#b08d3a'), i % 3 === 0 ? [0.3, 0.3, 0.3] : [1, 1, 1])));
    expect(shaded.two).toBeNull();
    const grain = noise(3, 0.04);
    expect(read(draw(1000, () => times(linearOf('#b08d3a'), [1 + grain(), 1 + grain(), 1 + grain()]))).two).toBeNull();
  });
  test('too little is not read', () => {
    expect(readPatch(draw(4, () => [0.5, 0.5, 0.5]))).toBeNull();
    expect(readPatch(new Uint8ClampedArray(400))).toBeNull();
  });
});

describe('corrected by a card', () => {
  const GREY: Linear = [0.18, 0.18, 0.18];
  const FIBRES = ['#8b4513', '#d9b52b', '#6b7a3a', '#b08d3a', '#5a4a42', '#a33c3c', '#7d8fa8'];
  // The truth is what was drawn; cast, grain and glare are ours.
  test('under any cast of ±30 % a channel, with grain and glare, within ΔE00 1 of the truth', () => {
    const gain = fc.double({ min: 0.7, max: 1.3, noNaN: true });
    fc.assert(
      fc.property(fc.constantFrom(...FIBRES), gain, gain, gain, fc.nat(1e6), (hex, r, g, b, seed) => {
        const grain = noise(seed + 1, 0.03);
        const seen = (light: Linear): Linear => times(light, [r * (1 + grain()), g * (1 + grain()), b * (1 + grain())]);
        const fibre = read(draw(2000, (i) => (i % 25 === 0 ? [1, 1, 1] : seen(linearOf(hex)))));
        const corrected = correct(fibre, read(draw(2000, () => seen(GREY))), { kind: 'grey' });
        expect(corrected.ok && deltaE00(corrected.lab, labOf(hex))).toBeLessThan(1);
      }),
      { seed: 20261126, numRuns: 80 },
    );
  });
  test('a white card and undyed fibre of a known colour serve as well', () => {
    const cast: Linear = [0.9, 0.75, 0.6];
    const fibre = read(draw(400, () => times(linearOf('#b08d3a'), cast)));
    for (const [card, truth] of [
      [{ kind: 'white' }, [0.9, 0.9, 0.9]],
      [{ kind: 'known', hex: '#ece6d8' }, linearOf('#ece6d8')],
    ] as const) {
      const corrected = correct(fibre, read(draw(400, () => times(truth, cast))), card);
      expect(corrected.ok && deltaE00(corrected.lab, labOf('#b08d3a'))).toBeLessThan(1);
    }
  });
  test('what cannot be read is refused, each in words: burnt fibre, a card with wood beside it, red cloth for a grey card', () => {
    const fibre = read(draw(400, () => linearOf('#b08d3a')));
    const grey = read(draw(400, () => GREY));
    const burnt = read(draw(400, (i) => (i % 3 === 0 ? [1, 1, 1] : linearOf('#e8d9a0'))));
    expect(unreadable(burnt)).toContain('less light');
    expect(unreadable(fibre)).toBeNull();
    expect(correct(burnt, grey, { kind: 'grey' })).toMatchObject({ ok: false, why: expect.stringContaining('burnt out') });
    const mixed = read(draw(1000, (i) => (i % 10 < 6 ? GREY : linearOf('#6b3f1d'))));
    expect(correct(fibre, mixed, { kind: 'grey' })).toMatchObject({ ok: false, why: expect.stringContaining('two colours') });
    for (const hex of ['#b02525', '#205f2a', '#5a2a8a'])
      expect(correct(fibre, read(draw(400, () => linearOf(hex))), { kind: 'grey' }), hex).toMatchObject({
        ok: false,
        why: expect.stringContaining('coloured'),
      });
    // A candle, and a blue hour: far from white, and grey all the same.
    for (const light of [
      [1, 0.55, 0.2],
      [0.55, 0.75, 1],
    ] as const)
      expect(correct(read(draw(400, () => times(linearOf('#8b4513'), [...light]))), read(draw(400, () => times(GREY, [...light]))), { kind: 'grey' }).ok).toBe(
        true,
      );
  });
  test.each<[string, Linear, Linear, string]>([
    ['burnt out', [1, 1, 1], [0.3, 0.2, 0.1], 'burnt out'],
    ['in the dark', [0.01, 0.01, 0.01], [0.005, 0.005, 0.005], 'too dark'],
    ['in the shade of what is read', [0.3, 0.3, 0.3], [0.8, 0.7, 0.5], 'brighter than the card'],
  ])('a card %s is refused in words', (_what, card, fibre, why) => {
    const corrected = correct(read(draw(400, () => fibre)), read(draw(400, () => card)), { kind: 'white' });
    expect(corrected).toEqual({ ok: false, why: expect.stringContaining(why) });
  });
});
