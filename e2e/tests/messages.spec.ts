import { expect, test } from '@playwright/test';
import { TestOffice } from '../support/office.ts';
import { openDesk, openPhone, openStop } from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

test('messages go to and fro between the office and a stop, with no network on the phone, and are known as read', async ({
  browser,
}) => {
  await office.query(`DELETE FROM message`);
  const desk = await openDesk(browser, office.url, 'edda');
  const { context, page } = await openPhone(browser, office.url, 'imke');

  await test.step('somebody writes from a stop with no network, and closes the page', async () => {
    await context.setOffline(true);
    await openStop(page, 'Storm Petrel mid station');
    await page.getByRole('button', { name: 'Write to the office about this stop' }).click();
    await page.getByLabel('To the office, about Storm Petrel mid station').fill('Who has the key?');
    await page.getByRole('button', { name: 'Send' }).click();
    const sent = page.getByRole('listitem').filter({ hasText: 'Who has the key?' });
    await expect(sent).toContainText('kept here');
    await page.reload();
    await expect(sent).toContainText('about Storm Petrel mid station');
    await context.setOffline(false);
  });

  await test.step('the desk sees it come in, reads it and answers', async () => {
    await desk.getByRole('button', { name: '1 new message' }).click({ timeout: 20_000 });
    const thread = desk.getByRole('region', { name: 'With Imke Dorrance' });
    await expect(thread.getByText('Who has the key?')).toBeVisible();
    await thread.getByLabel('To Imke Dorrance').fill('Tove. He is at the upper station.');
    await thread.getByRole('button', { name: 'Send' }).click();
    await expect(thread.getByRole('listitem').nth(1)).toContainText('not read yet');
  });

  await test.step('the phone tells of it wherever one is; what is read there is told', async () => {
    await page.goto(`${office.url}/trail`);
    await page.getByRole('button', { name: 'Read: 1 new message from the office' }).click({
      timeout: 20_000,
    });
    await expect(page.getByText('Tove. He is at the upper station.')).toBeVisible();
    await expect(page.getByRole('listitem').filter({ hasText: 'Who has the key?' })).toContainText(
      'read',
    );
    const answer = desk.getByRole('listitem').filter({ hasText: 'Tove. He is' });
    await expect(answer.last()).toContainText(/· read/, { timeout: 20_000 });
  });

  await test.step('the desk writes to whoever has a stop', async () => {
    await desk.goto(`${office.url}/day`);
    await desk
      .getByRole('main')
      .getByRole('button', { name: /^Storm Petrel mid station/ })
      .first()
      .click();
    const dialog = desk.getByRole('dialog');
    await dialog.getByRole('button', { name: 'Write to Imke Dorrance' }).click();
    await dialog.getByLabel('To Imke Dorrance, about this stop').fill('The tunnel is open now.');
    await desk.waitForTimeout(400);
    await dialog.getByRole('button', { name: 'Send' }).click();
    await expect(dialog.getByText('Sent to Imke Dorrance')).toBeVisible();
    await expect(
      page.getByRole('listitem').filter({ hasText: 'The tunnel is open now.' }),
    ).toContainText('about Storm Petrel mid station', { timeout: 20_000 });
  });
});
