import { expect, type Page } from '@playwright/test';
import { textOf } from '../../apps/server/test/support/pdf.ts';

/** The reviewer waits for a sheet of a place until what its kit reckoned says this, and has it open. */
export async function readReckoned(
  desk: Page,
  base: string,
  place: string,
  reckoned: string,
): Promise<void> {
  await expect(async () => {
    await desk.goto(`${base}/review`);
    await desk
      .getByRole('button', { name: new RegExp(`^${place}`) })
      .first()
      .click({ timeout: 2_000 });
    await expect(
      desk.getByRole('group', { name: 'Reckoned' }).getByText(reckoned, { exact: true }),
    ).toBeVisible({ timeout: 4_000 });
  }).toPass({ timeout: 90_000 });
}

/** The words of the report of the sheet that is open at the desk. */
export const reportOf = (desk: Page, base: string): Promise<string> =>
  paperOf(desk, base, 'report.pdf');

/** The words of a consent signed in the sheet that is open at the desk. */
export const consentOf = (desk: Page, base: string, question: string): Promise<string> =>
  paperOf(desk, base, `consent.pdf?at=${question}`);

async function paperOf(desk: Page, base: string, paper: string): Promise<string> {
  const id = /review\/([0-9a-f-]{36})/.exec(desk.url())?.[1] ?? '';
  const pdf = await desk.request.get(`${base}/api/sheets/${id}/${paper}`);
  expect(pdf.status()).toBe(200);
  return (await textOf(Uint8Array.from(await pdf.body()).buffer)).join(' ');
}
