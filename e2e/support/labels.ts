import type { Page } from '@playwright/test';
import { drawQr } from './codes.ts';

/** Holds a label before the phone: a picture of its code, as the camera of a phone takes it. */
export async function showLabel(page: Page, code: string): Promise<void> {
  await page
    .getByRole('dialog', { name: /^Scan/ })
    .locator('input[type=file]')
    .setInputFiles({ name: 'label.png', mimeType: 'image/png', buffer: await drawQr(code) });
}
