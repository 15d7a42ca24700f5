import { describe, expect, test } from 'vitest';
import { sheetText } from '../sheets/sheet';
import { trialSheet } from '../sheets/trialSheet';
import { readTrialTable } from './takeIn';
import type { PieceSeen } from './tells';
import { byHand } from './trial.fixture';

const pieces: PieceSeen[] = [
  { code: 'K4', lotId: 'k4', cell: [0], lab: { l: 83.456, a: -2.1, b: 18 }, state: 'dry' },
  { code: 'M3', lotId: 'm3', cell: [1], lab: null, state: null },
  { code: 'R7', lotId: 'r7', cell: null, lab: null, state: null },
];
const rowsOf = (text: string) => {
  const read = readTrialTable(text, pieces);
  if (!read.ok) throw new Error(read.error);
  return read.value;
};

describe('a table of a trial that comes back', () => {
  test.each([
    ['commas and points', 'code,L*,a*,b*\nM3,71.5,-1.2,40\n'],
    ['semicolons and decimal commas', 'code;L*;a*;b*\nM3;71,5;-1,2;40\n'],
    ['tabs, other columns, another order', 'cell\tb*\ta*\tL*\tcode\nalum\t40\t-1.2\t71.5\tm3\n'],
  ])('with %s gives its colours', (_how, text) => {
    expect(rowsOf(text)).toEqual({ rows: [{ code: 'M3', lotId: 'm3', lab: { l: 71.5, a: -1.2, b: 40 }, state: 'dry' }], same: 0, faults: [] });
  });
  test('as a hex, and with the state that it says', () => {
    expect(rowsOf('code,sRGB,fibre was\nR7,#ffffff,Wet\n').rows).toMatchObject([{ code: 'R7', state: 'wet', lab: { l: expect.closeTo(100, 3) } }]);
  });
  test('what was there already, and what is empty, is taken no second time', () => {
    expect(rowsOf('code,fibre was,L*,a*,b*\nK4,dry,83.46,-2.1,18\nM3,,,,\nR7,dry,90,0,5\n')).toMatchObject({ rows: [{ code: 'R7' }], same: 2, faults: [] });
  });
  test('a line that cannot be read is named, and the others are taken', () => {
    const { rows, faults } = rowsOf('code,L*,a*,b*\nZZ,50,0,0\nM3,500,0,0\nR7,50,0,0\n');
    expect(rows.map(({ code }) => code)).toEqual(['R7']);
    expect(faults).toEqual([
      { line: 2, says: 'No piece of this trial is called “ZZ”.' },
      { line: 3, says: 'M3: L* lies between 0, black, and 100, white.' },
    ]);
  });
  test.each([
    ['', /“code” is needed/],
    ['L*,a*,b*\n1,2,3\n', /“code” is needed/],
    ['code,name\nM3,x\n', /L\*, a\* and b\*/],
    ['code,"L*\n', /no table/],
  ])('%s is refused in words', (text, says) => {
    expect(readTrialTable(text, pieces)).toMatchObject({ ok: false, error: expect.stringMatching(says) });
  });
});

test.each(['dot', 'comma'] as const)('what went out comes back as it was (%s)', async (decimal) => {
  const trial = { factors: [byHand('Mordant', 'none', 'alum')] };
  const sheet = trialSheet({ trial, pieces: pieces.map((piece) => ({ ...piece, hex: null })) });
  let text = '';
  for await (const part of sheetText(sheet, decimal)) text += part;
  expect(rowsOf(text)).toEqual({ rows: [], same: 3, faults: [] });
});
