import { describe, expect, test } from 'vitest';
import { fitPlateau, type Plateau, type Point, plateauAt } from './plateau';

const exact = (a: number, b: number, k: number, ts: readonly number[]): Point[] => ts.map((t) => ({ t, y: plateauAt({ a, b, k }, t) }));
const fitted = (points: readonly Point[], start: number | null = null): Plateau => {
  const fit = fitPlateau(points, start);
  if (!fit.ok) throw new Error(fit.error);
  return fit.value;
};
const near = (value: number, truth: number, relative: number) =>
  expect(Math.abs(value - truth)).toBeLessThanOrEqual(relative * Math.max(1e-12, Math.abs(truth)));

describe('exact data come back', () => {
  test.each([
    [2, 10, 0.05, [0, 5, 10, 20, 40, 80, 120]],
    [0, 1, 0.1, [1, 2, 5, 10, 20, 40]],
    [20, 65, 0.02, [0, 10, 20, 30, 45, 60, 90, 120]],
  ])('a %d, b %d, k %d', (a, b, k, ts) => {
    const value = fitted(exact(a, b, k, ts));
    expect(Math.abs(value.a - a)).toBeLessThan(1e-8 * Math.max(1, Math.abs(b)));
    near(value.b, b, 1e-8);
    near(value.k, k, 1e-8);
  });
  test('downwards as well', () => near(fitted(exact(80, -30, 0.4, [0, 1, 2, 4, 8])).b, -30, 1e-8));
});

// NIST StRD, nonlinear regression: y = b1 (1 − exp(−b2 x)), certified values.
describe('NIST StRD', () => {
  const xs = [77.6, 114.9, 141.1, 190.8, 239.9, 289, 332.8, 378.4, 434.8, 477.3, 536.8, 593.1, 689.1, 760];
  const ys = [10.07, 14.73, 17.94, 23.93, 29.61, 35.18, 40.02, 44.82, 50.76, 55.05, 61.01, 66.4, 75.47, 81.78];
  test('Misra1a, to six digits', () => {
    const value = fitted(
      xs.map((t, i) => ({ t, y: ys[i] ?? 0 })),
      0,
    );
    near(value.b, 2.3894212918e2, 1e-6);
    near(value.k, 5.5015643181e-4, 1e-6);
    near(value.sd.b, 2.7070075241, 1e-4);
    near(value.sd.k, 7.2668688436e-6, 1e-4);
    near(value.rss, 1.2455138894e-1, 1e-6);
    near(value.residualSd, 1.018787633e-1, 1e-6);
  });
  test('BoxBOD, to six digits', () => {
    const value = fitted(
      [1, 2, 3, 5, 7, 10].map((t, i) => ({ t, y: [109, 149, 149, 191, 213, 224][i] ?? 0 })),
      0,
    );
    near(value.b, 2.1380940889e2, 1e-6);
    near(value.k, 5.4723748542e-1, 1e-6);
    near(value.sd.b, 1.2354515176e1, 1e-4);
    near(value.sd.k, 1.0455993237e-1, 1e-4);
    near(value.rss, 1.1680088766e3, 1e-6);
    near(value.residualSd, 1.7088072423e1, 1e-6);
  });
});

test.each<[string, Point[], string]>([
  ['two points', exact(0, 1, 1, [0, 1]), 'tooFew'],
  ['nothing changes', [0, 1, 2, 3, 4].map((t) => ({ t, y: 5 })), 'level'],
  ['all at one time', [5, 5, 5, 5].map((t, i) => ({ t, y: i })), 'tooFew'],
  ['a straight line: nobody sees its end', [0, 1, 2, 3, 4].map((t) => ({ t, y: 3 * t })), 'noEnd'],
  ['long before its end', exact(0, 10, 0.01, [0, 1, 2, 3, 4, 5]), 'noEnd'],
  ['it goes up ever faster', [0, 1, 2, 3, 4].map((t) => ({ t, y: t ** 3 })), 'noFit'],
])('%s cannot be fitted', (_what, points, error) => expect(fitPlateau(points)).toEqual({ ok: false, error }));
