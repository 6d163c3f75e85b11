import { expect, test, type Page } from '@playwright/test';
import { TestOffice } from '../support/office.ts';
import { find, openDesk, openPhone, question } from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());
test.afterEach(async ({ browser }) => {
  for (const context of browser.contexts()) await context.close();
});

const PLACE = 'Harbour clinic';

/** The visit at the place, from the trail. */
async function openVisit(page: Page): Promise<void> {
  const stop = page.getByRole('button', { name: new RegExp(`^${PLACE}`) });
  await expect(stop.or(page.getByRole('heading', { name: PLACE })).first()).toBeVisible();
  if (await stop.count()) await stop.first().click();
  else await page.getByRole('button', { name: 'More' }).click();
  await expect(page.getByRole('list', { name: 'Sheets' })).toBeVisible();
}

async function arrive(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Set off' }).click();
  await page.getByRole('button', { name: 'I have arrived' }).click();
  const why = page.getByLabel('Why from here?');
  const start = page.getByRole('button', { name: /^(Start|Go on with) the sheet/ });
  await expect(why.or(start)).toBeVisible();
  if (await why.isVisible()) {
    await why.fill('working from the harbour');
    await page.getByRole('dialog').getByRole('button', { name: 'I have arrived' }).click();
  }
  await expect(start).toBeVisible();
}

const sheetLine = (page: Page, title: string) =>
  page.getByRole('list', { name: 'Sheets' }).getByRole('listitem').filter({ hasText: title });

async function planPair(desk: Page): Promise<void> {
  await desk.goto(`${office.url}/day?new=job`);
  const dialog = desk.getByRole('dialog', { name: 'New job' });
  await find(dialog, 'Place', PLACE);
  await find(dialog, 'Sheet', 'Refuge survey');
  await dialog.getByLabel('Start').fill('05:30');
  await find(dialog, 'Person', 'Imke Dorrance');
  await dialog.getByRole('button', { name: 'Another sheet' }).click();
  await find(dialog, 'Sheet 2', 'Switchboard check');
  await dialog.getByRole('button', { name: 'Another sheet' }).click();
  await find(dialog, 'Sheet 3', 'Hut keeping audit');
  await dialog.getByRole('button', { name: 'A helper' }).click();
  await find(dialog, 'Helper', 'Jory Hollin');
  await dialog
    .getByLabel('Whose sheet 2 is', { exact: true })
    .selectOption({ label: 'Jory Hollin' });
  await dialog.getByRole('button', { name: 'Make the job' }).click();
  await expect(dialog).toBeHidden();
}

test('two people at one job with three sheets: one is handed over half done, with no network', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await planPair(desk);
  const imke = await openPhone(browser, office.url, 'imke');
  const jory = await openPhone(browser, office.url, 'jory');
  let { page } = imke;

  await test.step('each sees the sheets that are theirs or everybody’s, and who else is there', async () => {
    await openVisit(page);
    await expect(page.getByRole('list', { name: 'Sheets' }).getByRole('listitem')).toHaveCount(2);
    await expect(page.getByText('Jory Hollin, helps')).toBeVisible();
    await openVisit(jory.page);
    await expect(sheetLine(jory.page, 'Switchboard check').getByText(/yours alone/)).toBeVisible();
    await expect(jory.page.getByRole('list', { name: 'Sheets' }).getByRole('listitem')).toHaveCount(
      3,
    );
  });

  await test.step('a sheet is begun, and handed over half done with no network, through a reload', async () => {
    await arrive(page);
    await imke.context.setOffline(true);
    await page.getByRole('button', { name: 'Start the sheet' }).click();
    await question(page, 'Address or position').getByRole('textbox').fill('Above the quay');
    await question(page, 'Address or position').getByRole('textbox').blur();
    await page.getByRole('button', { name: '‹ Trail' }).click();
    await openVisit(page);
    await sheetLine(page, 'Refuge survey')
      .getByRole('button', { name: /^Hand over/ })
      .click();
    const dialog = page.getByRole('dialog', { name: 'Hand over: Refuge survey' });
    await dialog.getByRole('button', { name: 'Hand it over' }).click();
    await expect(dialog.getByText('Choose a colleague.')).toBeVisible();
    await find(dialog, 'To whom?', 'Jory Hollin');
    await dialog.getByLabel(/^A note/).fill('The warden calls me away');
    await dialog.getByRole('button', { name: 'Hand it over' }).click();
    await expect(sheetLine(page, 'Refuge survey')).toBeHidden();
    await page.reload();
    await expect(sheetLine(page, 'Hut keeping audit')).toBeVisible();
    await expect(sheetLine(page, 'Refuge survey')).toBeHidden();
  });

  await test.step('with the network back the colleague goes on where it was left', async () => {
    await imke.context.setOffline(false);
    await page.getByRole('button', { name: '‹ Trail' }).click();
    await expect(page.getByText(/office has all/)).toBeVisible({ timeout: 60_000 });
    const line = sheetLine(jory.page, 'Refuge survey');
    await expect(line.getByText(/begun.*yours alone/)).toBeVisible({ timeout: 60_000 });
    await arrive(jory.page);
    await line
      .getByRole('button', { name: /Refuge survey/ })
      .first()
      .click();
    await jory.page.getByRole('button', { name: /^Who and where/ }).click();
    await expect(question(jory.page, 'Address or position').getByRole('textbox')).toHaveValue(
      'Above the quay',
    );
    await question(jory.page, 'E-mail of the warden')
      .getByRole('textbox')
      .fill('pia@tarnhollow.example');
    await question(jory.page, 'E-mail of the warden').getByRole('textbox').blur();
    await expect
      .poll(
        () =>
          office.query<{ name: string }>(
            `SELECT DISTINCT p.name FROM entry e JOIN sheet s ON s.id = e.sheet_id
               JOIN person p ON p.id = (e.body->>'by')::uuid
             WHERE s.title = 'Refuge survey' ORDER BY p.name`,
          ),
        { timeout: 60_000 },
      )
      .toEqual([{ name: 'Imke Dorrance' }, { name: 'Jory Hollin' }]);
  });

  await test.step('one more is added on site, and leaving asks whether that is all', async () => {
    page = jory.page;
    await page.getByRole('button', { name: '‹ Trail' }).click();
    await openVisit(page);
    await page.getByRole('button', { name: 'Add a sheet' }).click();
    const dialog = page.getByRole('dialog', { name: 'One more sheet' });
    await find(dialog, 'Which sheet?', 'Hut keeping audit');
    await dialog.getByRole('button', { name: 'Add it and begin' }).click();
    await expect(page.getByRole('heading', { name: /hut keeping audit/ })).toBeVisible();
    await page.getByRole('button', { name: '‹ Trail' }).click();
    await openVisit(page);
    await expect(page.getByText(/added here/)).toBeVisible();
  });

  await test.step('the office sees all of it, cancels the job, and it leaves both phones', async () => {
    await desk.goto(`${office.url}/jobs`);
    await desk.getByLabel('Place, job or person').fill('Refuge survey');
    await desk
      .getByRole('row')
      .filter({ hasText: 'Refuge survey' })
      .getByRole('button', { name: new RegExp(PLACE) })
      .first()
      .click();
    const dialog = desk.getByRole('dialog', { name: PLACE });
    await expect(dialog.getByRole('listitem')).toHaveCount(4);
    await expect(dialog.getByText('added on site')).toBeVisible();
    await dialog.getByRole('button', { name: 'Cancel the job' }).click();
    await dialog.getByRole('button', { name: 'Cancel the job' }).click();
    await expect(dialog.getByText('Say why.')).toBeVisible();
    await dialog.getByLabel('Cancel the job: why?').fill('The clinic is closed today');
    await dialog.getByRole('button', { name: 'Cancel the job' }).click();
    await expect(dialog).toBeHidden();
    for (const phone of [imke.page, jory.page]) {
      await phone.goto(`${office.url}/trail`);
      await phone.getByRole('link', { name: 'Sending' }).click();
      await phone.getByRole('button', { name: 'Send now' }).click();
      await expect(phone.getByText('The office has everything')).toBeVisible({ timeout: 60_000 });
      await phone.getByRole('link', { name: 'Trail' }).click();
      await expect(phone.getByText('Refuge survey')).toHaveCount(0, { timeout: 60_000 });
    }
    expect(
      await office.query(
        `SELECT 1 FROM entry e JOIN sheet s ON s.id = e.sheet_id WHERE s.title = 'Refuge survey'`,
      ),
    ).not.toEqual([]);
  });
});

test('work that nobody planned begins on the phone, with no network, and is on the office’s day', async ({
  browser,
}) => {
  const phone = await openPhone(browser, office.url, 'marn');
  const { page } = phone;
  await phone.context.setOffline(true);
  await page.getByRole('button', { name: 'Work that is not planned' }).click();
  const dialog = page.getByRole('dialog', { name: 'Work that is not planned' });
  await dialog.getByRole('button', { name: 'Put it on my trail' }).click();
  await expect(dialog.getByText('Choose the place.')).toBeVisible();
  await find(dialog, 'Where are you?', 'Razorbill hut');
  await find(dialog, 'Which sheet?', 'Hut safety check');
  await dialog.getByRole('button', { name: 'Put it on my trail' }).click();
  await expect(page.getByRole('heading', { name: 'Razorbill hut' })).toBeVisible();
  await arrive(page);
  await page.getByRole('button', { name: 'Start the sheet' }).click();
  await page.getByRole('radio', { name: 'Yes' }).first().click();
  await page.reload();
  await expect(page.getByRole('radio', { name: 'Yes' }).first()).toBeChecked();
  await phone.context.setOffline(false);
  await expect
    .poll(
      () =>
        office.query<{ state: string; entries: number }>(
          `SELECT j.state, count(e.id)::int AS entries FROM job j JOIN sheet s ON s.job_id = j.id
             LEFT JOIN entry e ON e.sheet_id = s.id
           WHERE j.title = 'Hut safety check' AND j.instructions = '' GROUP BY j.id, j.state`,
        ),
      { timeout: 60_000 },
    )
    .toEqual([{ state: 'under way', entries: 1 }]);
  const desk = await openDesk(browser, office.url, 'edda');
  await expect(desk.getByRole('main').getByRole('button', { name: /^Razorbill hut/ })).toHaveCount(
    2,
  );
});
