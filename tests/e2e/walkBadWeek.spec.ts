import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import type { Page } from '@playwright/test';
import type { RunView } from '../../contract/views';
import { type BuiltServer, startBuilt } from './builtServer';
import { expect, test } from './hands';
import { addLot, beenHere, scourOnHold, usualKitchen } from './steps';

/** In the middle of a hold: the server is killed, the disk fills, a byte of the journal is damaged, an older folder is put back, and the page sends what it kept. */

const PORT = 4203;
const BASE = `http://127.0.0.1:${PORT}`;
test.use(beenHere(BASE));

const root = mkdtempSync(path.join(tmpdir(), 'hyndle-week-'));
const [data, room] = [path.join(root, 'data'), path.join(root, 'room')];
let server: BuiltServer | null = null;
const start = async () => {
  server = await startBuilt(PORT, data, { ROOM_FILE: room, NODE_OPTIONS: `--import ${pathToFileURL('tests/e2e/disk.mjs').href}` });
};
const end = async (signal: NodeJS.Signals) => {
  server?.process.kill(signal);
  await server?.gone;
};
test.afterAll(async () => {
  await end('SIGKILL');
  rmSync(root, { recursive: true, force: true, maxRetries: 5 });
});

const notesOf = async (page: Page): Promise<string[]> => {
  const views = (await (await page.request.get(`${BASE}/api/v1/runs/running`)).json()) as RunView[];
  return views.flatMap(({ events }) => events.flatMap((event) => (event.type === 'note' && event.stepId !== null ? [event.text] : [])));
};

test('a bad week: nothing acknowledged is missing or doubled, what happened is said, and the hold reads on', async ({ page }) => {
  page.setDefaultTimeout(15_000);
  await start();
  await usualKitchen(page, BASE);
  await addLot(page, BASE, 'Grey skein', '60 g');
  const scour = await scourOnHold(page, BASE, 'Grey skein', 'The week');
  await scour.getByRole('button', { name: 'Reading' }).click();
  await page
    .getByRole('dialog')
    .getByLabel(/What does it read/)
    .fill('66');
  await page.getByRole('dialog').getByRole('button', { name: 'Log it' }).click();
  await expect(scour).toContainText('of 1 h in band');
  const log = page.locator('.log');
  const note = async (text: string) => {
    await page.getByLabel('Type an act').fill(`note ${text}`);
    await page.getByLabel('Type an act').press('Enter');
    await expect(log).toContainText(text);
  };
  const isKept = () => expect(page.getByText(/is kept|are kept/).first()).toBeVisible();
  const isSent = () => expect(page.getByText(/No answer from Hyndle|kept on this device/)).toHaveCount(0, { timeout: 30_000 });
  await note('one, all is well');
  await expect.poll(() => notesOf(page)).toEqual(['one, all is well']);

  // Killed, and the hands go on.
  await end('SIGKILL');
  await note('two, into the dark');
  await isKept();
  await start();
  await isSent();

  // Stopped at night, and the folder copied: yesterday's backup.
  await end('SIGTERM');
  const yesterday = path.join(root, 'yesterday');
  cpSync(data, yesterday, { recursive: true });
  await start();

  // The disk fills: said where the act is, on the page that is open, and it goes on by itself.
  writeFileSync(room, '10');
  await note('three, into a full disk');
  await expect(page.locator('main')).toContainText(
    'The disk is full: nothing can be logged until there is room. What was logged before is safe. 1 act is kept on this device',
  );
  expect(await notesOf(page)).toEqual(['one, all is well', 'two, into the dark']);
  rmSync(room);
  await expect.poll(() => notesOf(page), { timeout: 40_000 }).toEqual(['one, all is well', 'two, into the dark', 'three, into a full disk']);

  // A byte of the journal, in the last act.
  await end('SIGKILL');
  const journal = path.join(data, 'journal', readdirSync(path.join(data, 'journal')).sort().at(-1) as string);
  const bytes = readFileSync(journal);
  bytes[bytes.length - 20] = (bytes[bytes.length - 20] as number) ^ 1;
  writeFileSync(journal, bytes);
  await start();
  await isSent();
  expect(await notesOf(page)).toEqual(['one, all is well', 'two, into the dark', 'three, into a full disk']);
  await page.goto(BASE);
  await expect(page.locator('main')).toContainText('that the journal lacked came from the database');
  await page.goBack();
  await expect(scour).toContainText('of 1 h in band');

  // Yesterday's folder in its place, while the page keeps one more act.
  await end('SIGTERM');
  await note('four, while nobody answers');
  await isKept();
  rmSync(data, { recursive: true });
  cpSync(yesterday, data, { recursive: true });
  await start();
  await isSent();
  await expect.poll(() => notesOf(page), { timeout: 30_000 }).toEqual(['one, all is well', 'two, into the dark', 'four, while nobody answers']);
  await page.reload();
  await expect(scour).toContainText('of 1 h in band');
});
