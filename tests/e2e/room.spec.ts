import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, test } from './hands';

/** What holds on every page: one grid, few sizes of type, finding, measures, help, faults kept apart, keys, being heard. */

const ready = (page: Page) => expect(page.locator('h1')).toBeVisible();

test('pages come with their data: the words are in what the server sends', async ({ request }) => {
  for (const [path, words] of [
    ['/', 'Birch leaf on silk noil'],
    ['/runs/run-birch', 'Steel pot'],
    ['/sessions/dock-jersey', 'Mordant, aluminium'],
    ['/runs/run-weld/record', '1.8 g more potash alum than planned'],
    ['/fibre', 'Ramie cord'],
  ] as const)
    expect(await (await request.get(path)).text(), path).toContain(words);
});

test('one right edge and at most four sizes of type on every page', async ({ page }) => {
  const edges = new Set<number>();
  for (const path of [
    '/',
    '/sessions',
    '/fibre',
    '/fibre/gotland',
    '/shelf',
    '/shelf?tab=home',
    '/methods',
    '/methods/alum-16',
    '/swatches',
    '/bench',
    '/programs',
    '/sessions/dock-jersey',
    '/runs/run-birch',
  ]) {
    await page.goto(path);
    await ready(page);
    edges.add(await page.locator('.page-head').evaluate((head) => Math.round(head.getBoundingClientRect().right)));
    const sizes = await page.evaluate(() => {
      const found = new Set<string>();
      const walk = document.createTreeWalker(document.querySelector('main') ?? document.body, NodeFilter.SHOW_TEXT);
      for (let node = walk.nextNode(); node; node = walk.nextNode()) {
        const owner = node.parentElement;
        if (owner && node.textContent?.trim() && owner.getClientRects().length > 0 && !owner.closest('.unseen')) found.add(getComputedStyle(owner).fontSize);
      }
      return [...found];
    });
    expect(sizes.length, `${path}: ${sizes.join(', ')}`).toBeLessThanOrEqual(4);
  }
  expect([...edges]).toHaveLength(1);
});

test('anything is found from any page by first letters, by keys alone', async ({ page }) => {
  await page.goto('/methods');
  await ready(page);
  await expect(async () => {
    await page.keyboard.press('/');
    await expect(page.getByRole('dialog', { name: 'Find anything' })).toBeVisible({ timeout: 1000 });
  }).toPass();
  await expect(page.getByRole('combobox', { name: 'Find anything' })).toBeFocused();
  await page.keyboard.type('ram co');
  await expect(page.getByRole('option', { name: /Ramie cord/ }).or(page.getByTitle('Ramie cord'))).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Ramie cord' })).toBeVisible();
  // Whoever types fast does not wait for the list.
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('combobox', { name: 'Find anything' })).toBeFocused();
  await page.keyboard.type('ladder');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/tool=ladder/);
  await page.keyboard.press('Control+k');
  await page.keyboard.type('boiling');
  await page.getByTitle('Boiling point').click();
  await expect(page).toHaveURL(/tool=boil/);
});

test('as the dyer measures: every print follows, every field takes all of them anyway', async ({ page }) => {
  await page.goto('/shelf?tab=home');
  await page.getByRole('button', { name: 'Change: As you measure' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByText('ounces and pounds').click();
  await dialog.getByText('US cups and gallons').click();
  await dialog.getByText('°F', { exact: true }).click();
  await dialog.getByText('2:30 pm').click();
  await dialog.getByText('Nov 28').click();
  await dialog.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText(/You read ounces and pounds, US spoons, cups and gallons, °F, a 12-hour clock/)).toBeVisible();
  try {
    await page.goto('/fibre');
    await expect(page.getByRole('listitem').filter({ hasText: 'Gotland lamb' })).toContainText('5.36 oz');
    await page.goto('/sessions/dock-jersey');
    await expect(page.getByRole('region', { name: /Warp of/ })).toContainText('158–176 °F');
    await expect(page.locator('.page-head')).toContainText(/[A-Z][a-z]{2} \d{1,2}, 9:00 am/);
    await page.goto('/runs/run-weld/record');
    await expect(page.locator('.compare')).toContainText('never above 180 °F');
    await page.goto('/bench?tool=dose&fibre=120+g&pct=10');
    await expect(page.locator('.bench-answer').first()).toContainText('0.42 oz');
    await expect(page.locator('.bench')).toContainText('= 4.23 oz');
  } finally {
    const { measures: _measures, ...home } = await (await page.request.get('/api/v1/home')).json();
    const metric = { mass: 'grams', volume: 'litres', kitchen: null, temperature: 'C', clock: '24h', weekStart: 1, dateOrder: 'dmy' };
    expect((await page.request.put('/api/v1/home', { data: { ...home, measures: metric } })).status()).toBe(200);
  }
});

test('a start is typed as people write it, echoed, and never changed in silence', async ({ page }) => {
  await page.goto('/sessions/new');
  await ready(page);
  const start = page.getByLabel('Begin at the earliest', { exact: true });
  await start.fill('28/11/2026 09:30');
  await expect(page.getByText('= Sat 28 Nov')).toBeVisible();
  await start.fill('sometime soon');
  await start.blur();
  await expect(page.getByRole('alert').filter({ hasText: 'is no time' })).toBeVisible();
  await expect(start).toHaveValue('sometime soon');
});

test('what is typed into a form is there again after it was closed, and after a reload', async ({ page }) => {
  await page.goto('/fibre');
  const open = () => page.getByRole('button', { name: 'Add a lot' }).click();
  await open();
  await page.getByRole('dialog').getByLabel('Name').fill('Half a thought');
  await page.getByRole('dialog').getByRole('button', { name: 'Not now' }).click();
  await page.reload();
  await ready(page);
  await open();
  await expect(page.getByRole('dialog')).toContainText('What you typed before is here again.');
  await expect(page.getByRole('dialog').getByLabel('Name')).toHaveValue('Half a thought');
  await page.getByRole('dialog').getByRole('button', { name: 'Begin anew' }).click();
  await expect(page.getByRole('dialog').getByLabel('Name')).toHaveValue('');
});

test('what is tapped and typed before the page answers is done once it does', async ({ page }) => {
  let letThrough = () => {};
  const held = new Promise<void>((resolve) => {
    letThrough = resolve;
  });
  await page.route('**/_next/static/**/*.js', async (route) => {
    await held;
    await route.continue();
  });
  await page.goto('/fibre', { waitUntil: 'commit' });
  await page.getByLabel('Find a lot').fill('ramie');
  await page.getByRole('button', { name: 'Add a lot' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  letThrough();
  await expect(page.getByRole('dialog')).toContainText('Add a lot');
  await expect(page.getByLabel('Find a lot')).toHaveValue('ramie');
  await expect(page.locator('main')).toContainText('Ramie cord');
  await expect(page.locator('main')).not.toContainText('Gotland');
});

test('whoever asked for no movement has one page, not two: what is open when that is known stays open', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await page.goto('/fibre');
  await page.getByRole('button', { name: 'Add a lot' }).click();
  await page.getByRole('dialog').getByLabel('Name').fill('Still here');
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.waitForTimeout(300);
  await expect(page.getByRole('dialog').getByLabel('Name')).toHaveValue('Still here');
  await page.getByRole('dialog').getByRole('button', { name: 'Not now' }).click();
  await page.evaluate(() => localStorage.removeItem('hyndle.form.lot-new'));
});

test('a kept draft that can no longer be read is said in its place; the rest lives on', async ({ page }) => {
  await page.goto('/fibre');
  await page.evaluate(() => localStorage.setItem('hyndle.draft', JSON.stringify({ chain: [null], lotIds: [] })));
  await page.goto('/sessions/new');
  await expect(page.getByText('The plan that was being made ran into a fault')).toBeVisible();
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeVisible();
  await page.getByRole('button', { name: 'Begin anew' }).click();
  await expect(page.getByRole('heading', { name: 'Plan a session' })).toBeVisible();
});

test('whoever goes by keys sees where they are, on plain links too, and comes past the rail in one step', async ({ page }) => {
  await page.goto('/fibre');
  await page.getByRole('link', { name: 'Shelf', exact: true }).waitFor();
  for (const name of ['Skip to the page', 'Now', 'Sessions']) {
    await page.keyboard.press('Tab');
    const here = page.locator(':focus');
    await expect(here).toHaveText(name);
    await expect(here).toBeInViewport();
    await expect(here).toHaveCSS('outline-style', 'solid');
    await expect(here).toHaveCSS('outline-width', '3px');
  }
  await page.keyboard.press('Shift+Tab');
  await page.keyboard.press('Shift+Tab');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/#main$/);
});

test('the tour has five stops and never comes back once it is closed', async ({ page }) => {
  await page.goto('/fibre');
  await page.evaluate(() => localStorage.removeItem('hyndle.tour'));
  await page.goto('/');
  await page.getByRole('button', { name: 'Show me round' }).click();
  for (let stop = 1; stop < 5; stop++) await page.getByRole('button', { name: 'Next', exact: true }).click();
  await page.getByRole('button', { name: 'Finish', exact: true }).click();
  await expect(page.getByText('Find anything', { exact: true })).toBeHidden();
  await page.reload();
  await ready(page);
  await page.waitForTimeout(800);
  await expect(page.getByRole('button', { name: 'Show me round' })).toBeHidden();
});

test('words of the trade open to their meaning, every figure to its working, in the same way', async ({ page }) => {
  await page.goto('/methods/alum-10');
  await page
    .getByRole('button', { name: /^bath$/i })
    .first()
    .focus();
  await expect(page.getByRole('tooltip')).toContainText('The liquid the goods sit in');
  await page.goto('/bench?tool=dose');
  await page.getByRole('button', { name: 'working: Of the fibre’s weight' }).click();
  await expect(page.getByText('Source: arithmetic').first()).toBeVisible();
});

test('at the stove: numbers choose the vessel, ? shows all keys, what is due is told to a screen reader', async ({ page }) => {
  await page.goto('/runs/run-birch');
  await ready(page);
  await expect(page.locator('[role=alert].unseen')).toHaveCount(1);
  await expect(async () => {
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog')).toContainText('One key an act', { timeout: 1000 });
  }).toPass();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.keyboard.press('1');
  await expect(page.locator('.vessel-card:not(.ready-card)').first()).toHaveClass(/vessel-chosen/);
  await page.keyboard.press('r');
  await expect(page.getByRole('dialog')).toContainText('Temperature');
  await page.keyboard.type('180 F');
  await expect(page.getByRole('dialog')).toContainText('= 82.2 °C');
  await page.keyboard.press('Escape');
});

test('open dialogs have nothing that a screen reader stumbles over, by day and by night', async ({ page }) => {
  for (const colorScheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme });
    for (const [path, open] of [
      ['/fibre', () => page.getByRole('button', { name: 'Add a lot' }).click()],
      ['/shelf?tab=vessels', () => page.getByRole('button', { name: 'Add a vessel' }).click()],
      ['/shelf?tab=home', () => page.getByRole('button', { name: 'Change: As you measure' }).click()],
      ['/methods', () => page.getByRole('button', { name: 'Take a file in' }).click()],
    ] as const) {
      await page.goto(path);
      await expect(page.locator('html')).toHaveAttribute('data-lighting', colorScheme === 'dark' ? 'night' : 'day');
      await open();
      await expect(page.getByRole('dialog')).toBeVisible();
      await page.waitForTimeout(400);
      const found = await new AxeBuilder({ page }).include('[role=dialog]').disableRules(['scrollable-region-focusable']).analyze();
      expect(found.violations.map((violation) => `${path} ${violation.id}: ${violation.nodes.map((node) => node.target.join(' ')).join(', ')}`)).toEqual([]);
    }
  }
});

test('a dialog takes no tap until it has come', async ({ page }) => {
  await page.goto('/fibre');
  await ready(page);
  const add = await page.getByRole('button', { name: 'Add a lot' }).elementHandle();
  // In each frame: whether the dialog still moves, and whether a finger in the middle of its cross would be on it.
  const frames = await page.evaluate(async (opener) => {
    (opener as HTMLElement).click();
    const seen: { coming: boolean; taken: boolean }[] = [];
    for (let n = 0; n < 300 && seen.filter(({ coming }) => !coming).length < 3; n++) {
      await new Promise(requestAnimationFrame);
      const dialog = document.querySelector('[role=dialog]');
      const cross = dialog?.querySelector('button');
      if (!dialog || !cross) continue;
      const { x, y, width, height } = cross.getBoundingClientRect();
      const under = document.elementFromPoint(x + width / 2, y + height / 2);
      seen.push({ coming: dialog.className.includes('-appear-'), taken: under !== null && cross.contains(under) });
    }
    return seen;
  }, add);
  expect(frames.filter(({ coming, taken }) => coming && taken)).toEqual([]);
  expect(frames.some(({ coming }) => coming)).toBe(true);
  expect(frames.filter(({ coming }) => !coming).every(({ taken }) => taken)).toBe(true);
});

test('at 400 % zoom, with forced colours and without motion nothing is cut off', async ({ page }) => {
  // 1280 pixels at 400 % are 320 (WCAG 2.1, 1.4.10 Reflow).
  await page.setViewportSize({ width: 320, height: 640 });
  await page.emulateMedia({ forcedColors: 'active', reducedMotion: 'reduce' });
  for (const path of ['/', '/runs/run-birch', '/fibre', '/sessions', '/shelf?tab=home', '/bench']) {
    await page.goto(path);
    await ready(page);
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth), path).toBeLessThanOrEqual(0);
  }
});

test('it can be installed: a manifest with icons that are there', async ({ request }) => {
  const manifest = await (await request.get('/manifest.webmanifest')).json();
  expect(manifest.display).toBe('standalone');
  for (const icon of manifest.icons) expect((await request.get(icon.src)).status(), icon.src).toBe(200);
});
