import type { Locator, Page } from '@playwright/test';
import { deltaE00, labOf } from '../../core/colour/lab';
import { expect, test } from './hands';
import { openList, pick, pickAll } from './planning';
import { lotBody } from './steps';

/** A cloth of the test's own. */
async function cloth(page: Page, id: string, name: string, g: number): Promise<void> {
  expect((await page.request.post('/api/v1/lots', { data: lotBody(id, name, g, 'cloth', 'linen') })).status()).toBe(200);
}

const type = async (field: Locator, ...levels: string[]) => {
  for (const level of levels) {
    await field.fill(level);
    await field.press('Enter');
  }
};

test.beforeEach(({ page }) => page.setDefaultTimeout(15_000));

test('a ladder of three strengths, two mordants and two dips: twelve pieces and a control, looked at, and what cannot be told apart is said', async ({
  page,
}) => {
  await cloth(page, 'ladder', 'Ladder cloth', 40);
  await page.goto('/swatches');
  await page.getByRole('link', { name: 'Trials' }).click();
  await page.getByRole('button', { name: 'Make a trial' }).click();
  const form = page.getByRole('dialog');
  await form.getByLabel('Name', { exact: true }).fill('Paste ladder');
  const more = form.getByRole('button', { name: /Say what differs|And something more/ });
  for (let i = 0; i < 3; i++) {
    await more.click();
    await form.getByLabel('What differs', { exact: true }).nth(i).click();
    await openList(page)
      .getByTitle(i === 1 ? 'Mordant' : 'Something else')
      .click();
  }
  await form.getByLabel('Its name').nth(0).fill('Strength');
  await form.getByLabel('Its name').nth(1).fill('Dip');
  await type(form.getByLabel('Levels of Something else').nth(0), '100 %', '50 %', '25 %');
  await form.getByLabel('Levels of Mordant').click();
  await pickAll(page, ['No mordant', /^No mordant/], ['Alum, low', /^Alum, low/]);
  await type(form.getByLabel('Levels of Something else').nth(1), 'weak', 'strong');
  await form.getByLabel('Cut from').click();
  await pick(page, 'Ladder cloth', 'Ladder cloth');
  await form.getByLabel('Pieces of each').fill('1');

  // Not a weight: said when the field is left, before anything is sent.
  await form.getByLabel('Weight of a piece').fill('a bit');
  await form.getByLabel('Weight of a piece').press('Tab');
  await expect(form.getByText('Start with a number; “a bit” does not.')).toBeVisible();
  // Too much for the cloth: said at the field, and nothing is cut.
  await form.getByLabel('Weight of a piece').fill('5');
  await expect(form.getByRole('region', { name: 'What it comes to' })).toContainText('12 cells, 13 pieces, 65 g of fibre of 40 g; 1 dyebath for all.');
  await form.getByRole('button', { name: 'Cut the pieces' }).click();
  await expect(form.getByText('Ladder cloth weighs 40 g; 13 pieces of 5 g are 65 g').first()).toBeVisible();
  await form.getByLabel('Weight of a piece').fill('2');
  await form.getByRole('button', { name: 'Cut the pieces' }).click();

  await expect(page.getByRole('heading', { name: 'Paste ladder' })).toBeVisible();
  const grid = page.getByRole('region', { name: 'The grid' });
  await expect(grid.getByRole('button', { name: /not looked at yet/ })).toHaveCount(13);
  const tells = page.getByRole('region', { name: 'What it tells so far' });
  await expect(tells).toContainText('Nothing yet');
  await expect(tells).toContainText('No step of the plan does Strength or Dip');

  // One by hand, as a dyer says it; the others by another program, to the tenth.
  const { trial } = await (await page.request.get(`/api/v1/trials/${page.url().split('/').at(-1)}`)).json();
  const black = { l: 30, a: 0, b: 0 };
  let nearBlack = { ...black };
  while (deltaE00(black, nearBlack) < 0.8) nearBlack = { ...nearBlack, l: nearBlack.l + 0.01 };
  const labAt = ([strength, mordant, dip]: number[]) => {
    if (dip === 0) return { l: 50 + 9 * (strength ?? 0) - 6 * (mordant ?? 0), a: 1, b: 8 };
    return strength === 0 ? black : strength === 1 ? nearBlack : { l: 41, a: 0, b: 3 };
  };
  const [first, ...others] = trial.pieces.filter((piece: { cell: unknown }) => piece.cell) as { code: string; lotId: string; cell: number[] }[];
  for (const { code, lotId, cell } of others) {
    const look = { part: null, liquorId: null, at: null, state: 'dry', light: 'daylight', pictures: [], verdict: {}, note: '' };
    const sent = { ...look, id: `ladder-${code}`, lotIds: [lotId], colour: { lab: labAt(cell), by: { kind: 'typed' } } };
    expect((await page.request.post('/api/v1/looks', { data: sent })).status()).toBe(200);
  }
  await grid.getByRole('button', { name: `${first?.code}: not looked at yet` }).click();
  const looking = page.getByRole('dialog', { name: `How ${first?.code} came out` });
  await looking.getByText('typed', { exact: true }).click();
  const lab = labAt(first?.cell ?? []);
  await looking.getByLabel('L a b, or a hex').fill(`${lab.l.toFixed(2)} ${lab.a} ${lab.b}`);
  await looking.getByRole('button', { name: 'Keep' }).click();
  await expect(looking).toBeHidden();

  await expect(page.getByText('12 of 12 pieces looked at')).toBeVisible();
  await expect(tells).toContainText('100 % and 50 % (No mordant, on purpose, strong): 0.8 apart. They cannot be told apart');
  await expect(tells).toContainText('25 % instead of 100 %');
  await expect(tells).toContainText('One piece of each: how sure a difference is, is not known.');

  // As a table, and as a session with one bath.
  await page.getByRole('button', { name: 'Save as a file' }).click();
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'The trial, as a table' }).click()]);
  expect(file.suggestedFilename()).toContain('.csv');
  await page.keyboard.press('Escape');

  // Filled in a spreadsheet: shown first, kept, taken back.
  const control = (trial.pieces as { code: string; cell: unknown }[]).find((piece) => piece.cell === null)?.code;
  await page.getByRole('button', { name: 'Colours from a table' }).click();
  const table = page.getByRole('dialog', { name: 'Take colours in from a table' });
  const [chooser] = await Promise.all([page.waitForEvent('filechooser'), table.getByRole('button', { name: 'Choose a table' }).click()]);
  const text = `code;L*;a*;b*\n${control};88,2;0,4;9,1\nZZ9;1;2;3\n`;
  await chooser.setFiles({ name: 'ladder.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await expect(table).toContainText('1 new colour');
  await expect(table).toContainText('Line 3: No piece of this trial is called “ZZ9”.');
  await table.getByRole('button', { name: 'Keep 1 colour' }).click();
  await expect(grid.getByRole('button', { name: `${control}: L* 88, dry` })).toBeAttached();
  await table.getByRole('button', { name: 'Take them back' }).click();
  await expect(table).toContainText('1 colour taken back');
  await expect(grid.getByRole('button', { name: `${control}: not looked at yet` })).toBeAttached();
  await table.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: 'Plan the session' }).click();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Paste ladder');
  const who = page.getByRole('row', { name: /Alum, low/ });
  await expect(who.getByRole('checkbox', { checked: true })).toHaveCount(6);
});

test('two results that differ in two things: the trial that would tell is made of them', async ({ page }) => {
  for (const [id, name, hex, alum, weld] of [
    ['two-a', 'Two, first', '#d6bd4e', 10, 50],
    ['two-b', 'Two, second', '#b8961f', 15, 100],
  ] as const) {
    await cloth(page, id, name, 30);
    const past = { certainty: 'known', atMs: Date.now() - 86_400_000, note: '' };
    const none = { substance: null, wofPct: { state: 'unknown' }, certainty: 'noneOnPurpose' };
    for (const entry of [
      { ...none, kind: 'scour' },
      { ...none, kind: 'tannin' },
      { kind: 'mordant', substance: 'potash alum', wofPct: { state: 'measured', value: alum } },
      { kind: 'dye', substance: 'weld', wofPct: { state: 'measured', value: weld } },
    ])
      expect((await page.request.post(`/api/v1/lots/${id}/treatments`, { data: { ...past, id: `${id}-${entry.kind}`, ...entry } })).status()).toBe(200);
    const look = { part: null, liquorId: null, at: null, state: 'dry', light: 'daylight', pictures: [], verdict: {}, note: '' };
    const sent = { ...look, id: `${id}-look`, lotIds: [id], colour: { lab: labOf(hex), by: { kind: 'typed' } } };
    expect((await page.request.post('/api/v1/looks', { data: sent })).status()).toBe(200);
  }
  await page.goto('/swatches');
  await page.getByLabel('Find a result').fill('Two,');
  for (const name of ['Two, first', 'Two, second']) await page.getByRole('checkbox', { name: new RegExp(name) }).check();
  await page.getByRole('button', { name: /Side by side/ }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet).toContainText('cannot be put down to any one of them');
  await sheet.getByRole('button', { name: 'Make that trial' }).click();
  const form = page.getByRole('dialog', { name: 'Make a trial' });
  await expect(form.getByRole('region', { name: 'What it comes to' })).toContainText('4 cells, 8 pieces, 80 g of fibre');
  // What differed is done by the session’s own steps, with the figures that were really used.
  await expect(form).toContainText('Alum, one hot hour, 15 %');
  await expect(form.getByRole('region', { name: 'What it comes to' })).toContainText('2 dyebaths');
  await form.getByLabel('Cut from').click();
  await pick(page, 'Two, first', 'Two, first');
  await expect(form.getByRole('region', { name: 'What it comes to' })).toContainText(/In this kitchen: .* from first to last, hands /);
  await expect(form.getByRole('region', { name: 'What it comes to' })).toContainText('80 g of fibre of 30 g');
  await form.getByLabel('Weight of a piece').fill('3');
  await form.getByRole('button', { name: 'Cut the pieces' }).click();
  await expect(page.getByRole('region', { name: 'The grid' }).getByRole('button')).toHaveCount(8);
});
