import { expect, test } from '@playwright/test';
import { TestOffice } from '../support/office.ts';
import { find, openDesk, openPhone } from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

/** A page that says something, as small as a PDF can be; its reader mends the missing table. */
const pdf = (words: string): Buffer => {
  const content = `BT /F1 24 Tf 60 700 Td (${words}) Tj ET`;
  return Buffer.from(`%PDF-1.4
1 0 obj << /Type /Catalog /Pages 2 0 R >> endobj
2 0 obj << /Type /Pages /Kids [3 0 R] /Count 1 >> endobj
3 0 obj << /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Contents 4 0 R
/Resources << /Font << /F1 5 0 R >> >> >> endobj
4 0 obj << /Length ${content.length} >> stream
${content}
endstream endobj
5 0 obj << /Type /Font /Subtype /Type1 /BaseFont /Helvetica >> endobj
trailer << /Root 1 0 R >>
%%EOF`);
};
const file = (words: string) => ({
  ...{ name: 'rope_grease-2.pdf', mimeType: 'application/pdf', buffer: pdf(words) },
});

test('a document is attached at the desk and read on the phone with no network, in the version that counts', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await desk.getByRole('link', { name: 'Documents', exact: true }).click();
  await desk.getByRole('button', { name: 'Add a document' }).click();
  const adding = desk.getByRole('dialog', { name: 'A new document' });
  await adding.getByLabel('File of the document').setInputFiles({
    ...{ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('no') },
  });
  await expect(adding.getByRole('alert')).toContainText('A document is a PDF or a picture');
  await adding.getByLabel('File of the document').setInputFiles(file('Grease it monthly'));
  await expect(adding.getByText('rope_grease-2.pdf')).toBeVisible();
  await expect(adding.getByLabel('What it is called')).toHaveValue('rope grease 2');
  await adding.getByLabel('What it is called').fill('Rope grease');
  await adding.getByLabel('Attach it to').selectOption({ label: 'All sheets of a template' });
  await find(adding, 'Which template', 'Drive room round');
  await expect(adding.getByText('every “Drive room round”')).toBeVisible();
  await adding.getByRole('button', { name: 'Add it' }).click();
  await expect(adding).toBeHidden();
  await desk.getByRole('button', { name: /^Rope grease/ }).click();
  const dialog = desk.getByRole('dialog', { name: 'Rope grease' });
  await dialog.getByRole('button', { name: 'Look at it: version 1' }).click();
  const shown = desk.getByRole('dialog', { name: 'Rope grease, version 1' });
  await expect(shown.getByText('Grease it monthly')).toBeAttached();
  await expect(shown.locator('canvas')).toBeVisible();
  await shown.getByRole('button', { name: 'Close' }).click();

  const { context, page } = await openPhone(browser, office.url, 'imke');
  const onPhone = page.getByRole('listitem').filter({ hasText: 'Rope grease' });
  await page.getByRole('link', { name: 'Find' }).click();
  await page.getByRole('button', { name: 'Documents' }).click();
  await expect(onPhone.getByText(/· on this phone/)).toBeVisible({ timeout: 30_000 });
  await context.setOffline(true);
  await page.reload();
  await onPhone.getByRole('button').click();
  await expect(page.getByText('Version 1 of')).toBeVisible();
  await expect(page.getByRole('document', { name: 'Rope grease' })).toBeVisible();
  await expect(page.getByText('Grease it monthly')).toBeAttached();
  await page.getByLabel('Find words').fill('MONTHLY');
  await page.getByRole('button', { name: 'Next' }).click();
  await expect(page.getByText('On page 1')).toBeVisible();
  await page.getByLabel('Find words').fill('weekly');
  await page.getByRole('button', { name: 'Next' }).click();
  await expect(page.getByText('Not in this document')).toBeVisible();

  await dialog.getByLabel('File of the document').setInputFiles(file('Grease it weekly'));
  await dialog.getByLabel('What changed').fill('More often');
  await dialog.getByRole('button', { name: 'Add it: it counts from now on' }).click();
  await expect(dialog.getByText(/^Version 2, counts since/)).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText('Version 2 of')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText('Grease it weekly')).toBeAttached({ timeout: 60_000 });

  // Where it is not needed any more it goes, unless somebody wants it.
  await page.getByRole('button', { name: 'Keep it here' }).click();
  await expect(page.getByRole('button', { name: 'No need to keep it' })).toBeVisible();
  await dialog.getByRole('button', { name: 'Take off' }).click();
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog).toBeHidden();
  await page.getByRole('button', { name: '‹ Back' }).click();
  await expect(onPhone.getByText(/· on this phone/)).toBeVisible();
});
