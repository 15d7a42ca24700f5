import type { FileChooser, Locator, Page } from '@playwright/test';
import sharp from 'sharp';
import { hexOfLinear, type Linear, linearOf } from '../../core/colour/lab';

const SIZE = { width: 1200, height: 900 };
/** A lamp: much red, little blue. */
const CAST: Linear = [1.1, 0.85, 0.6];

/** A picture whose truth is known: fibre in the middle, a grey card at the upper left, in a light with a cast. */
export async function drawn(hex: string): Promise<{ name: string; mimeType: string; buffer: Buffer }> {
  const seen = (light: Linear): string => hexOfLinear([light[0] * CAST[0], light[1] * CAST[1], light[2] * CAST[2]]);
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${SIZE.width}" height="${SIZE.height}">
    <rect width="100%" height="100%" fill="#554f48"/>
    <rect x="380" y="280" width="440" height="340" fill="${seen(linearOf(hex))}"/>
    <rect x="60" y="40" width="280" height="220" fill="${seen([0.18, 0.18, 0.18])}"/></svg>`;
  return { name: 'skein.jpg', mimeType: 'image/jpeg', buffer: await sharp(Buffer.from(svg)).jpeg({ quality: 95 }).toBuffer() };
}

/** Chooses files with a button that asks for some. */
export const choose = async (page: Page, button: Locator, files: Parameters<FileChooser['setFiles']>[0]): Promise<void> => {
  const [chooser] = await Promise.all([page.waitForEvent('filechooser'), button.click()]);
  await chooser.setFiles(files);
};
