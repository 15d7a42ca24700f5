import { serverWithClock } from './builtServer';
import { expect, test } from './hands';
import { addLot, beenHere, scourOnHeat, usualKitchen } from './steps';

/** A stove that hears and speaks. */

const { base: BASE, pass } = serverWithClock(4217);
test.use(beenHere(BASE));
test.beforeEach(({ page }) => page.setDefaultTimeout(15_000));

test('an act is said instead of typed, and a call is told in words, where the browser can', async ({ page }) => {
  // A browser with a voice and an ear: what it speaks is kept, what it hears is said here.
  await page.addInitScript(() => {
    const told: string[] = [];
    const ears: { hear: (words: string) => void } = { hear: () => undefined };
    Object.assign(window, { told, ears });
    class Recogniser {
      onresult: ((event: unknown) => void) | null = null;
      onend: (() => void) | null = null;
      start() {
        ears.hear = (transcript) => {
          this.onresult?.({ results: [[{ transcript }]] });
          this.onend?.();
        };
      }
      abort() {
        this.onend?.();
      }
    }
    Object.defineProperty(window, 'SpeechRecognition', { value: Recogniser });
    Object.defineProperty(window, 'speechSynthesis', {
      value: { cancel: () => undefined, getVoices: () => [{}], speak: (utterance: SpeechSynthesisUtterance) => told.push(utterance.text) },
    });
  });
  const say = (words: string) => page.evaluate((text) => (window as unknown as { ears: { hear: (words: string) => void } }).ears.hear(text), words);
  const told = () => page.evaluate(() => (window as unknown as { told: string[] }).told);
  await usualKitchen(page, BASE);
  await addLot(page, BASE, 'Skein V', '100 g');
  const pot = await scourOnHeat(page, BASE, 'Skein V', 'Voice');
  await page.getByRole('button', { name: 'Say it' }).click();
  await expect(page.getByText('Hyndle itself sends it nowhere')).toBeVisible();
  await page.getByRole('button', { name: 'Listen', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Listening' })).toBeVisible();
  await say('Fifty to fifty-five degrees Celsius.');
  await expect(page.locator('.log')).toContainText('reading 50–55 °C');
  await expect(pot).toContainText('typed 50–55 °C');
  // What is not understood stays there, to be mended.
  await page.getByRole('button', { name: 'Say it' }).click();
  await say('Make it nicer');
  await expect(page.getByLabel('Type an act')).toHaveValue('make it nicer');
  await expect(page.locator('.type-act')).toContainText('Not understood.');

  await page.getByRole('button', { name: 'Call aloud' }).click();
  await page.getByRole('button', { name: 'Try the alarm' }).click();
  await page.getByRole('checkbox', { name: /^Say in words/ }).check();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Try the alarm' }).click();
  await expect(page.getByText('Then it says in words which pot, and what to do.')).toBeVisible();
  await expect.poll(told).toContain('This is how a call sounds.');
  await pass(50);
  await expect.poll(async () => (await told()).at(-1), { timeout: 60_000 }).toMatch(/: (Should be at|Are you with it)/);
});
