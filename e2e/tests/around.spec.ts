import { randomBytes, randomUUID } from 'node:crypto';
import { timeOrderedId } from '@ant-trail/core/log';
import { expect, test, type Page } from '@playwright/test';
import { addDays, inZone } from '@ant-trail/core/calendar';
import { mustBeAccessible } from '../support/accessible.ts';
import { TestOffice } from '../support/office.ts';
import { find, openDesk, openPhone, question } from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

const post = async (desk: Page, path: string, data: object): Promise<unknown> => {
  const answer = await desk.request.post(`${office.url}${path}`, {
    ...{ headers: { origin: office.url }, data },
  });
  expect(answer.status(), await answer.text()).toBe(200);
  return answer.json();
};

const KEY = {
  ...{ title: 'Key handed over', signedOnSite: true },
  sections: [
    {
      ...{ id: 's', title: 'The key' },
      questions: [{ kind: 'yesNo', key: 'key_back', label: 'Key given back', required: true }],
    },
  ],
};

/** Signs with the mouse in the box of a dialog. */
async function signHere(page: Page, name: string): Promise<void> {
  const dialog = page.getByRole('dialog', { name: 'Signed by whoever answers for the place' });
  await expect(dialog.getByLabel('Who signs')).toBeVisible();
  await mustBeAccessible(page);
  await dialog.getByLabel('What they are here').fill('owner');
  await dialog.getByLabel('Who signs').fill(name);
  const pad = dialog.getByRole('img', { name: /sign here/ });
  await pad.scrollIntoViewIfNeeded();
  const box = await pad.boundingBox();
  if (!box) throw new Error('there is nowhere to sign');
  await page.mouse.move(box.x + 40, box.y + 60);
  await page.mouse.down();
  for (let i = 1; i <= 8; i++) await page.mouse.move(box.x + 40 + i * 18, box.y + 60 + i * 4);
  await page.mouse.up();
  await dialog.getByRole('button', { name: 'Sign', exact: true }).click();
  await expect(dialog).toBeHidden();
}

test('work at a place the office did not know of, with no network, is signed there before it is finished; the office says which place it is', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await post(desk, '/api/templates', { after: 0, body: KEY });
  const { page, context } = await openPhone(browser, office.url, 'marn');
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Work that is not planned' }).click();
  const begin = page.getByRole('dialog', { name: 'Work that is not planned' });
  await find(begin, 'Which sheet?', KEY.title);
  await begin.getByRole('button', { name: 'Have this sheet stand first' }).click();
  await expect(begin.getByRole('button', { name: /need not stand first/ })).toBeVisible();
  await begin.getByRole('button', { name: 'The place is not among them' }).click();
  // Near the harbour there are places that are known.
  await expect(begin.getByText('Is it one of these?')).toBeVisible();
  await begin.getByRole('button', { name: 'Put it on my trail' }).click();
  await expect(begin.getByText('Say what it is called.')).toBeVisible();
  await mustBeAccessible(page);
  await begin.getByLabel('What the place is called').fill('Lime kiln, lower');
  await begin.getByLabel('How it is found again').fill('Behind the quay');
  await begin.getByRole('button', { name: 'Put it on my trail' }).click();
  await expect(page.getByRole('heading', { name: 'Lime kiln, lower' })).toBeVisible();
  await page.getByRole('button', { name: 'Set off' }).click();
  await page.getByRole('button', { name: 'I have arrived' }).click();
  await page.getByRole('button', { name: 'Start the sheet' }).click();
  await question(page, 'Key given back').getByRole('radio', { name: 'Yes' }).click();
  await page.getByRole('button', { name: 'Finish', exact: true }).click();
  const through = page.getByRole('dialog', { name: 'Read it through once' });
  await expect(through.getByText(/has to sign before/)).toBeVisible();
  await expect(through.getByRole('button', { name: 'Finish the sheet' })).toHaveCount(0);
  await through.getByRole('button', { name: 'Have it signed' }).click();
  await signHere(page, 'Ansa Fell');
  await through.getByRole('button', { name: 'Finish the sheet' }).click();
  await expect(page.getByRole('heading', { name: 'Your trail', exact: true })).toBeVisible();
  await context.setOffline(false);
  await expect
    .poll(
      () =>
        office.query<{ state: string; who: string }>(
          `SELECT j.state, j.signing->'signed'->'signature'->>'name' AS who
           FROM job j JOIN site s ON s.id = j.site_id WHERE s.name = 'Lime kiln, lower'`,
        ),
      { timeout: 60_000 },
    )
    .toEqual([{ state: 'in review', who: 'Ansa Fell' }]);
  await desk.goto(`${office.url}/places?found=yes`);
  await desk
    .getByRole('row')
    .filter({ hasText: 'told from the field' })
    .getByRole('button')
    .first()
    .click();
  await desk.getByRole('button', { name: 'Change the place' }).click();
  const told = desk.getByRole('dialog', { name: 'Lime kiln, lower' });
  await expect(told.getByText(/told of this place/)).toBeVisible();
  await mustBeAccessible(desk);
  await find(told, 'It is a place we have', 'Razorbill hut');
  await told.getByRole('button', { name: 'Take it as Razorbill hut' }).click();
  await expect(desk.getByRole('heading', { name: 'Razorbill hut' }).first()).toBeVisible();
  expect(
    await office.query(
      `SELECT s.name FROM job j JOIN site s ON s.id = j.site_id WHERE j.title = '${KEY.title}'`,
    ),
  ).toEqual([{ name: 'Razorbill hut' }]);
});

test('one’s own stops are put in a better order on the phone, with no network, and the office’s day follows', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  const [facts] = await office.query<{
    harbour: string;
    ridge: string;
    person: string;
    template: string;
    day: string;
  }>(
    `SELECT (SELECT id FROM site WHERE name = 'Harbour lift station') AS harbour,
            (SELECT id FROM site WHERE name = 'Fulmar Ridge top station') AS ridge,
            (SELECT id FROM person WHERE email LIKE 'imke@%') AS person,
            (SELECT id FROM template WHERE title = 'Drive room round') AS template,
            (SELECT (now() AT TIME ZONE time_zone)::date::text FROM organisation
             WHERE id = (SELECT org_id FROM site WHERE name = 'Harbour lift station')) AS day`,
  );
  if (!facts) throw new Error('the demo lacks what this needs');
  await office.query(`UPDATE visit SET day = '2040-01-01' WHERE person_id = '${facts.person}'`);
  await office.query(`UPDATE person SET hours = '[]', absences = '[]'`);
  const { harbour, ridge, person, template, day } = facts;
  for (const [i, site] of [harbour, ridge, harbour, ridge].entries())
    await post(desk, '/api/jobs', {
      ...{ site, template, title: `Round ${i + 1}`, instructions: '', day },
      ...{ windowFrom: null, windowTo: null, start: 780 + i * 120, minutes: 30 },
      ...{ person, recipients: [] },
    });
  const placesNow = async (): Promise<string[]> =>
    (
      await office.query<{ site: string }>(
        `SELECT j.site_id AS site FROM visit v JOIN job j ON j.id = v.job_id
         WHERE v.person_id = '${person}' AND v.day = '${day}' ORDER BY v.start`,
      )
    ).map(({ site }) => site);
  const { page, context } = await openPhone(browser, office.url, 'imke');
  await expect(page.getByText('Round 4')).toBeVisible();
  await context.setOffline(true);
  await page.getByRole('button', { name: 'A better order' }).click();
  const dialog = page.getByRole('dialog', { name: 'A better order of your stops' });
  await expect(dialog.getByText(/less on the way/)).toBeVisible();
  await expect(dialog.getByText('The office sees what you take.')).toBeVisible();
  await mustBeAccessible(page);
  await dialog.getByRole('button', { name: 'Walk it like this' }).click();
  await expect(dialog).toBeHidden();
  await page.reload();
  await expect(page.getByText('Round 4')).toBeVisible();
  expect(await placesNow()).toEqual([harbour, ridge, harbour, ridge]);
  await context.setOffline(false);
  const together = (places: string[]): number =>
    places.filter((place, i) => i > 0 && place === places[i - 1]).length;
  await expect.poll(async () => together(await placesNow()), { timeout: 60_000 }).toBe(2);
});

test('a client has a rule of its own, what its work takes is said, and all of a job is passed in one step', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await desk.goto(`${office.url}/clients`);
  await desk.getByRole('button', { name: 'Hut wardens’ guild' }).click();
  await desk.getByRole('button', { name: 'What follows its work' }).click();
  const rules = desk.getByRole('dialog', { name: /^What follows the work for/ });
  await find(rules, 'A rule for another sheet', 'Hut keeping audit');
  await rules.getByLabel('So many days after it was finished').fill('21');
  await mustBeAccessible(desk);
  await rules.getByRole('button', { name: 'Keep these rules' }).click();
  await expect(rules).toBeHidden();

  await desk.goto(`${office.url}/day?new=job`);
  const job = desk.getByRole('dialog', { name: 'New job' });
  await find(job, 'Place', 'Razorbill hut');
  await find(job, 'Sheet', 'Hut keeping audit');
  await job.getByLabel('Start').fill('18:00');
  await find(job, 'Person', 'Marn Quill');
  await job.getByRole('button', { name: 'Another sheet' }).click();
  await find(job, 'Sheet 2', 'Hut keeping audit');
  await job.getByRole('button', { name: 'What it takes of a vehicle' }).click();
  await job.getByLabel('Counted in 1, such as kilograms').fill('Kilograms');
  await job.getByLabel('How much 1').fill('500');
  await job.getByRole('button', { name: 'Make the job' }).click();
  await expect(job).toBeHidden();
  await expect(desk.getByText(/too much for the vehicle: .* of 120 kilograms/i)).toBeVisible();

  const sheets = await office.query<{ id: string; person: string }>(
    `SELECT s.id, v.person_id AS person FROM sheet s JOIN job j ON j.id = s.job_id
       JOIN visit v ON v.job_id = j.id WHERE jsonb_array_length(j.takes) = 1 AND j.takes->0->>'much' = '500'`,
  );
  expect(sheets).toHaveLength(2);
  const { page } = await openPhone(browser, office.url, 'marn');
  await post(page, '/api/push', {
    operations: sheets.map(({ id, person }) => ({
      kind: 'entry',
      body: {
        ...{ id: timeOrderedId(Date.now(), randomBytes(16)), sheet: id, device: randomUUID() },
        ...{ path: '~stage', kind: 'finish', value: null, seen: [], prev: null, by: person },
        at: new Date().toISOString(),
      },
    })),
  });
  // Both have blanks: the office has computed them, and neither is passed unread.
  const stages = () =>
    office.query<{ stage: string }>(
      `SELECT summary->>'stage' AS stage FROM sheet WHERE id IN ('${sheets[0]?.id}', '${sheets[1]?.id}')`,
    );
  await expect
    .poll(stages, { timeout: 60_000 })
    .toEqual([{ stage: 'finished' }, { stage: 'finished' }]);
  await office.query(
    `UPDATE sheet SET summary = summary || '{"looseEnds": 0}' WHERE id = '${sheets[0]?.id}'`,
  );
  await desk.goto(`${office.url}/jobs`);
  await desk.getByLabel('Place, job or person').fill('Hut keeping audit');
  await desk
    .getByRole('row')
    .filter({ hasText: 'Marn Quill' })
    .getByRole('button', { name: /^Razorbill hut/ })
    .first()
    .click();
  await desk.getByRole('button', { name: 'Approve what is as usual in this job' }).click();
  await expect(desk.getByText('1 sheet is approved. One stays to be read:')).toBeVisible();
  await expect(desk.getByText(/It needs a look of its own/)).toBeVisible();
  // Three weeks after it was really finished, by the client's rule: the template's own says otherwise.
  const [there] = await office.query<{ zone: string }>(
    "SELECT time_zone AS zone FROM organisation WHERE name = 'Tarnhollow Upkeep'",
  );
  const day = addDays(inZone(new Date(), there?.zone ?? 'UTC').day, 21);
  const said = new Intl.DateTimeFormat('en-GB', {
    ...{ day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' },
  } as const).format(new Date(day));
  await expect(
    desk.getByText('Once approved, followed by', { exact: false }).first(),
  ).toContainText(`“Hut keeping audit” on ${said}`);
});
