import type { Page } from '@playwright/test';
import { deltaE00, labOf } from '../../core/colour/lab';
import { expect, test } from './hands';
import { choose, drawn } from './pictures';
import { openList, pick } from './planning';
import { lotBody } from './steps';

/** As somebody drops a file from elsewhere on the page. */
async function drop(page: Page, name: string, type: string, bytes: Buffer): Promise<void> {
  const dataTransfer = await page.evaluateHandle(
    ([file, kind, content]) => {
      const transfer = new DataTransfer();
      transfer.items.add(new File([Uint8Array.from(content)], file, { type: kind }));
      return transfer;
    },
    [name, type, [...bytes]] as const,
  );
  await page.dispatchEvent('body', 'drop', { dataTransfer });
}
/** A lot of the test's own: what others do to the demo's is none of its business. */
async function ownLot(page: Page, id: string, name: string): Promise<string> {
  expect((await page.request.post('/api/v1/lots', { data: lotBody(id, name, 50) })).status()).toBe(200);
  return `/fibre/${id}`;
}
const looksOf = async (page: Page, lotId: string): Promise<{ id: string; pictures: unknown[]; note: string }[]> =>
  (await page.request.get(`/api/v1/lots/${lotId}/looks`)).json();

test('a picture is kept in one tap, its colour read off it with a card, and it hangs on the wall', async ({ page }) => {
  await page.goto(await ownLot(page, 'shown', 'Shown skein'));
  const panel = page.getByRole('region', { name: 'How it came out' });
  await expect(panel).toContainText('Nobody looked yet');
  await choose(page, panel.getByRole('button', { name: 'Picture', exact: true }), await drawn('#a87c3a'));
  await panel.getByRole('button', { name: 'Read a colour' }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet.getByRole('status')).toContainText('not corrected: the light is in it');
  await sheet.getByText('grey', { exact: true }).click();
  await sheet.getByText('card', { exact: true }).click();
  // By keyboard: from a sixth of the picture up into the card.
  const picture = sheet.getByRole('img', { name: /^Picture/ });
  await picture.focus();
  for (const key of ['ArrowLeft', 'ArrowUp', 'ArrowUp']) await picture.press(key);
  await expect(sheet.getByRole('status')).toContainText('corrected by the card');
  await sheet.getByText('dry', { exact: true }).click();
  await sheet.getByText('a lamp', { exact: true }).click();
  await sheet.getByRole('button', { name: 'Keep this colour' }).click();
  await expect(sheet).toBeHidden();
  await expect(panel).toContainText('dry, from a picture, corrected by a grey card');

  const wall = await (await page.request.get('/api/v1/swatches')).json();
  const { hex, colour } = wall.find((one: { lotId: string }) => one.lotId === 'shown');
  expect(deltaE00(labOf(hex), labOf('#a87c3a'))).toBeLessThan(1.5);
  expect(colour).toMatchObject({ state: 'dry', light: 'lamp', by: { kind: 'picture', card: { kind: 'grey' } } });
  await page.goto('/swatches');
  await page.getByLabel('Nearest to a colour').fill('#a87c3a');
  const first = page.getByRole('article').first();
  await expect(first).toContainText('Shown skein');
  await expect(first).toContainText(/ΔE [01]\.\d/);
});

test('how it came out is said in a few taps, a colour typed as Lab, and wet beside dry is pointed out', async ({ page }) => {
  await page.goto(await ownLot(page, 'said', 'Said skein'));
  const panel = page.getByRole('region', { name: 'How it came out' });
  const say = async (state: string, typed: string) => {
    await panel.getByRole('button', { name: 'Say how' }).click();
    const form = page.getByRole('dialog');
    await form.getByText(state, { exact: true }).click();
    await form.getByText('as wanted', { exact: true }).click();
    await form.getByText('typed', { exact: true }).click();
    await form.getByLabel('L a b, or a hex').fill('ochre');
    await form.getByRole('button', { name: 'Keep' }).click();
    await expect(form.getByText('Write three numbers').first()).toBeVisible();
    await form.getByLabel('L a b, or a hex').fill(typed);
    await expect(form).toContainText('on a screen');
    await form.getByRole('button', { name: 'Keep' }).click();
    await expect(form).toBeHidden();
  };
  await say('wet', '48 6 30');
  await expect(panel).toContainText('wet, typed');
  await say('dry', '66 5 32');
  await expect(panel).toContainText('wet to dry');
  await expect(panel).toContainText('not to be compared');
  await expect(panel).toContainText('fibre dries paler');
  await expect(panel).toContainText('as wanted');

  // What dried here tells how the next one dries.
  await page.goto(await ownLot(page, 'next', 'Next skein'));
  await expect(panel).toContainText('Nobody looked yet');
  await say('wet', '50 6 30');
  await expect(panel).toContainText('Dry it may be about');
  await expect(panel).toContainText(/Learnt from \d+ results?:/);
  await panel.getByLabel('To end near').fill('70 5 32');
  await expect(panel).toContainText('lift it when wet it looks like this:');
});

test('two results side by side: the difference in words, and no cause where several things differ; out as a table and a palette', async ({ page }) => {
  for (const [id, name, hex] of [
    ['gold', 'Gold skein', [74, 2, 60]],
    ['brown', 'Brown skein', [48, 14, 26]],
  ] as const) {
    await ownLot(page, id, name);
    const [l, a, b] = hex;
    const look = {
      id: `seen-${id}`,
      lotIds: [id],
      part: null,
      liquorId: null,
      at: null,
      state: 'dry',
      light: 'daylight',
      pictures: [],
      verdict: {},
      note: 'side',
    };
    const answer = await page.request.post('/api/v1/looks', { data: { ...look, colour: { lab: { l, a, b }, by: { kind: 'typed' } } } });
    expect(answer.status()).toBe(200);
  }
  await page.goto('/swatches');
  await page.getByLabel('Find a result').fill('side skein');
  await expect(page.getByRole('article')).toHaveCount(2);
  await page.getByRole('checkbox', { name: 'Compare Undyed on Gold skein' }).check();
  await expect(page.getByRole('button', { name: 'Side by side: 1' })).toBeDisabled();
  await page.getByRole('checkbox', { name: 'Compare Undyed on Brown skein' }).check();
  await page.getByRole('button', { name: 'Side by side: 2' }).click();
  const panel = page.getByRole('dialog', { name: 'Side by side' });
  await expect(panel).toContainText(/darker.*ΔE \d+\.\d · another colour/);
  await expect(panel).toContainText('cannot be put down to');
  await expect(panel.getByRole('row', { name: /^mordant/ })).toContainText('cannot tell');
  await panel.getByRole('button', { name: 'Close' }).click();
  await expect(panel).toBeHidden();
  await page.getByRole('button', { name: 'Put back' }).click();
  await expect(page.getByRole('checkbox', { checked: true })).toHaveCount(0);
  await page.getByRole('button', { name: 'Save as a file' }).click();
  const [table] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'All results, as a table' }).click()]);
  expect(table.suggestedFilename()).toBe('swatches.csv');
  expect(await (await page.request.get('/api/v1/swatches.gpl')).text()).toContain('Undyed on Gold skein');
  expect(await (await page.request.get('/api/v1/swatches.css')).text()).toContain('--undyed-on-gold-skein: #');
});

test('a picture of the wrong lot is moved to the right one, with the reason', async ({ page }) => {
  await ownLot(page, 'right-one', 'The right skein');
  await page.goto(await ownLot(page, 'wrong-one', 'The wrong skein'));
  const panel = page.getByRole('region', { name: 'How it came out' });
  await choose(page, panel.getByRole('button', { name: 'Picture', exact: true }), await drawn('#7a5230'));
  await panel.getByRole('button', { name: /^Set right/ }).click();
  const sheet = page.getByRole('dialog');
  await expect(sheet.getByRole('button', { name: 'It shows that one' })).toBeDisabled();
  await sheet.getByLabel('Why?').fill('the tags were swapped');
  await sheet.getByLabel('The lot that it shows').click();
  await pick(page, 'right skein', /^The right skein/);
  await sheet.getByRole('button', { name: 'It shows that one' }).click();
  await expect(sheet).toBeHidden();
  await expect(panel).toContainText('Nobody looked yet');
  expect(await looksOf(page, 'right-one')).toMatchObject([{ changes: [{ kind: 'moved', reason: 'the tags were swapped', fromLotIds: ['wrong-one'] }] }]);
});

test('a picture taken without a connection is kept in this browser, through a reload, and sent once', async ({ page, context }) => {
  await page.goto(await ownLot(page, 'far', 'Far skein'));
  const panel = page.getByRole('region', { name: 'How it came out' });
  await expect(panel).toContainText('Nobody looked yet');
  await page.route('**/api/v1/blobs', (route) => route.abort());
  await choose(page, panel.getByRole('button', { name: 'Picture', exact: true }), [await drawn('#888070'), { ...(await drawn('#60584a')), name: 'other.jpg' }]);
  await expect(panel).toContainText('on this device still');
  expect(await looksOf(page, 'far')).toEqual([]);
  await page.reload();
  await expect(panel).toContainText('on this device still');
  await page.unroute('**/api/v1/blobs');
  await expect(panel.getByRole('button', { name: 'Read a colour' })).toHaveCount(2, { timeout: 20_000 });
  await expect(panel).not.toContainText('on this device still');
  const looks = await looksOf(page, 'far');
  expect(looks).toHaveLength(1);
  expect(looks[0]?.pictures).toHaveLength(2);
  await context.close();
});

test('a file that is no picture is refused in words, and nothing else is lost', async ({ page }) => {
  await page.goto(await ownLot(page, 'torn', 'Torn skein'));
  const panel = page.getByRole('region', { name: 'How it came out' });
  await choose(page, panel.getByRole('button', { name: 'Picture', exact: true }), [
    { name: 'script.png', mimeType: 'image/png', buffer: Buffer.from('<svg onload="alert(1)"/>') },
    await drawn('#c0b090'),
  ]);
  await expect(panel.getByRole('alert')).toContainText('script.png: Send a JPEG, PNG, WebP, HEIC or AVIF picture.');
  expect((await looksOf(page, 'torn')).at(-1)?.pictures).toHaveLength(1);
  await panel.getByRole('button', { name: 'Understood' }).click();
  await expect(panel.getByRole('alert')).toHaveCount(0);
});

test('at the stove a picture is one tap; the log shows it, and so does the record', async ({ page }) => {
  await page.goto('/runs/run-birch');
  const card = page.locator('.vessel-card').first();
  await choose(page, card.getByRole('button', { name: 'Picture', exact: true }), await drawn('#8d7c2c'));
  await expect(
    page
      .locator('.log')
      .getByRole('img', { name: /picture/ })
      .first(),
  ).toBeVisible();
  await card.getByRole('button', { name: /More acts/ }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'How it looks' }).click();
  await page.getByRole('dialog').getByText('paler', { exact: true }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Keep' }).click();
  await expect(page.locator('.log')).toContainText('paler than wanted');
  await page.goto('/runs/run-birch/record');
  await expect(page.getByRole('region', { name: 'What came out' }).getByRole('article')).toHaveCount(1);
});

test('of one result: what is nearest to it, its sample card with all that made it, and doing it again', async ({ page }) => {
  await page.goto('/swatches');
  await page.getByLabel('Find a result').fill('Gotland lamb');
  await page.getByRole('checkbox', { name: /Compare Weld on Gotland lamb/ }).check();
  await page.getByRole('button', { name: 'Nearest to it' }).click();
  await page.getByLabel('Find a result').fill('');
  const first = page.getByRole('article').first();
  await expect(first).toContainText('Gotland lamb');
  await expect(first).toContainText('ΔE 0.0');

  await page.getByRole('link', { name: 'Sample card' }).click();
  const card = page.getByRole('article');
  await expect(card).toHaveCount(1);
  await expect(card).toContainText('Weld');
  await expect(card).toContainText(/mordant: .*alum/);
  await expect(card.getByRole('img', { name: /Code that opens Gotland lamb/ })).toBeVisible();

  await page.goBack();
  await page.getByLabel('Find a result').fill('Gotland lamb');
  await page.getByRole('checkbox', { name: /Compare Weld on Gotland lamb/ }).check();
  await page.getByRole('link', { name: 'Do it again' }).click();
  const again = page.getByRole('dialog', { name: 'Do it again' });
  await expect(again.getByRole('radio', { name: 'as it was' })).toBeChecked();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('region', { name: 'What came out' })).toContainText(/expected #[\da-f]{6}, (an estimate|by \d+ results? of yours): it came/);
});

test('again with one thing changed: the first change may be the cause, the second is pointed out', async ({ page }) => {
  await page.goto('/runs/run-weld/record?again=one');
  const again = page.getByRole('dialog', { name: 'Do it again' });
  await expect(again.getByRole('radio', { name: 'with one thing changed' })).toBeChecked();
  await again.getByRole('button', { name: 'Make the plan' }).click();
  await page.getByRole('link', { name: 'Change', exact: true }).click();
  const guard = page.getByRole('region', { name: 'One thing changed' });
  await expect(guard).toContainText('Change one thing, and what comes out can be put down to it.');
  const alum = page
    .locator('[id^=item-]')
    .filter({ hasText: /potash alum/ })
    .first();
  await alum.getByRole('button', { name: /Alum/ }).first().click();
  await alum.getByLabel(/alum/i).first().fill('7');
  await expect(guard).toContainText('One thing differs from');
  await expect(guard).toContainText('alum 7 % WOF instead of 11.2 % WOF');
  const dye = page.locator('[id^=item-]').filter({ hasText: 'Dyebath' }).first();
  await dye
    .getByRole('button', { name: /Dyebath/ })
    .first()
    .click();
  await dye
    .getByLabel(/stir every/i)
    .first()
    .fill('25 min');
  await expect(guard).toContainText('2 things differ from');
  await expect(guard).toContainText('can be put down to none of them');
  await guard.getByRole('button', { name: 'Put all back as it was' }).click();
  await expect(guard).toContainText('Change one thing, and what comes out can be put down to it.');
});

test('on the wall: only with what is written down, nearest to a colour off a picture, and a dropped picture asks which lot', async ({ page }) => {
  await page.goto(await ownLot(page, 'coded', 'Coded skein'));
  await page.goto('/fibre/labels?ids=coded');
  const label = await page.getByRole('article').screenshot();

  await page.goto('/swatches');
  const all = await page.getByRole('article').count();
  await page.getByLabel('Only with').click();
  const menu = openList(page).locator('.ant-cascader-menus');
  await menu.getByTitle('dye', { exact: true }).click();
  await menu.getByTitle(/^weld/).first().click();
  await page.keyboard.press('Escape');
  const some = page.getByRole('article');
  await expect(some.first()).toContainText('Weld');
  expect(await some.count()).toBeLessThan(all);
  for (const tile of await some.all()) await expect(tile).toContainText('Weld');

  await page.reload();
  await page.getByRole('button', { name: 'Off a picture' }).click();
  const off = page.getByRole('dialog', { name: 'Which colour?' });
  await choose(page, off.getByRole('button', { name: 'Choose a picture' }), await drawn('#a87c3a'));
  await expect(off.getByRole('status')).toContainText('not corrected: the light is in it');
  await off.getByRole('button', { name: 'Find what is nearest' }).click();
  await expect(page.getByRole('article').first()).toContainText(/ΔE \d+\.\d/);

  // The label lies in the picture: it answers by itself.
  await drop(page, 'shot.png', 'image/png', label);
  const which = page.getByRole('dialog', { name: 'Which lot does it show?' });
  await expect(which.getByRole('status')).toHaveText('The code says Coded skein.');
  await which.getByRole('button', { name: 'It shows that one' }).click();
  await expect(which).toBeHidden();
  await expect.poll(async () => (await looksOf(page, 'coded')).map(({ pictures }) => pictures.length)).toEqual([1]);

  // No code in it: the lot is chosen by name, and nothing is kept before.
  await drop(page, 'plain.jpg', 'image/jpeg', (await drawn('#a87c3a')).buffer);
  await expect(which.getByRole('button', { name: 'It shows that one' })).toBeDisabled();
  await which.getByLabel('The lot that it shows').click();
  await pick(page, 'coded', /^Coded skein/);
  await which.getByRole('button', { name: 'It shows that one' }).click();
  await expect.poll(async () => (await looksOf(page, 'coded')).length).toBe(2);
});
