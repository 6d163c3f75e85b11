import type { TemplateBody } from '@ant-trail/core/sheet';
import { expect, test } from '@playwright/test';
import { TestOffice } from '../support/office.ts';
import { openDesk, openPhone, planJob, startSheet } from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

const WELLS: TemplateBody = {
  title: 'Wells of a farm',
  sections: [
    {
      id: 'farm',
      title: 'The farm',
      questions: [
        { kind: 'text', key: 'owner', label: 'Owner', required: true },
        {
          ...{ kind: 'number', key: 'land', label: 'Land', required: true },
          ...{ unit: 'm2', carries: true },
        },
        { kind: 'yesNo', key: 'clean', label: 'Water clear?', required: true },
        {
          ...{ kind: 'rows', key: 'wells', label: 'Wells', required: false, each: 'well' },
          questions: [{ kind: 'text', key: 'lies', label: 'Where it lies', required: true }],
        },
      ],
    },
  ],
};

test('what the office knows is filled in before anybody goes; whoever is there has the last word', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  const published = await desk.request.post(`${office.url}/api/templates`, {
    data: { after: 0, body: WELLS },
    headers: { origin: office.url },
  });
  expect(published.status()).toBe(200);
  await planJob(desk, office.url, {
    ...{ place: 'Kittiwake hut', sheet: 'Wells of a farm', person: 'Marn Quill' },
    ...{ start: '05:30', reader: 'Edda Varne' },
  });
  await desk
    .getByRole('button', { name: /^Kittiwake hut.*05:30/ })
    .first()
    .click();
  await desk.getByRole('button', { name: 'Fill in beforehand' }).click();
  const main = desk.getByRole('main');
  await main.getByLabel('Owner').fill('The Hallow family');
  await main.getByLabel('Land').fill('a lot');
  await expect(main.getByRole('alert').first()).toBeVisible();
  await main.getByRole('button', { name: 'Keep these answers' }).click();
  await expect(main.getByText(/can’t be an answer yet/)).toBeVisible();
  await main.getByLabel('Land').fill('1 250');
  await expect(main.getByText('Water clear?')).toBeHidden();
  await main.getByLabel('Another well').fill('North well');
  await main.getByRole('button', { name: 'Add it' }).click();
  await main.getByRole('group', { name: 'North well' }).getByLabel('Where it lies').fill('Behind');
  await main.getByRole('button', { name: 'Keep these answers' }).click();
  await expect(main.getByText('4 answers are with the office.')).toBeVisible();
  await desk.reload();
  await expect(main.getByLabel('Owner')).toHaveValue('The Hallow family');

  const { context, page } = await openPhone(browser, office.url, 'marn');
  await expect(page.getByText('Wells of a farm').first()).toBeVisible({ timeout: 60_000 });
  await context.setOffline(true);
  await startSheet(page, 'Wells of a farm');
  const owner = page.getByRole('region', { name: 'Owner' });
  await expect(owner.getByRole('textbox')).toHaveValue('The Hallow family');
  await expect(owner.getByText(/Filled in by the office/)).toBeVisible();
  await owner.getByRole('textbox').fill('The Tarn family');
  await owner.getByRole('textbox').press('Tab');
  await expect(owner.getByText(/Filled in by the office/)).toBeHidden();
  await page.getByRole('radio', { name: 'Yes' }).click();
  await expect(page.getByRole('button', { name: /North well/ })).toBeVisible();
  // Meanwhile the office fills in what it does not know is answered already.
  await desk.reload();
  await main.getByLabel('Owner').fill('Nobody known');
  await main.getByRole('button', { name: 'Keep these answers' }).click();
  await expect(main.getByText('One answer is with the office.')).toBeVisible();
  await context.setOffline(false);
  await expect(desk.getByText('(said at the place)').first()).toBeVisible({ timeout: 60_000 });
  await expect(main.getByText(/The Tarn family/)).toBeVisible();
  await expect(owner.getByRole('textbox')).toHaveValue('The Tarn family');
  await context.close();
});
