import { randomUUID } from 'node:crypto';
import { expect, test, type Browser, type Page } from '@playwright/test';
import { timeOrderedId, type Entry } from '@ant-trail/core/log';
import { TestOffice } from '../support/office.ts';
import { openDesk, openPhone, planJob, signIn } from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());
test.afterEach(async ({ browser }) => {
  for (const context of browser.contexts()) await context.close();
});

interface Answered {
  readonly sheet: string;
  readonly path: string;
  readonly label: string;
  readonly unit: string;
  readonly value: number;
  readonly email: string;
  readonly person: string;
}

/** A reading in a finished sheet of the demo, and whose sheet it is. */
async function finishedReading(): Promise<Answered> {
  const [found] = await office.query<Answered>(
    `SELECT s.id AS sheet, e.path, q->>'label' AS label, e.body->>'unit' AS unit,
            (e.body->>'value')::float8 AS value, split_part(p.email, '@', 1) AS email, p.id AS person
     FROM sheet s JOIN visit v ON v.job_id = s.job_id JOIN person p ON p.id = v.person_id
       JOIN template_version t ON t.id = s.version_id
       JOIN entry e ON e.sheet_id = s.id AND e.body->>'kind' = 'answer' AND e.body->>'unit' = 'Cel'
       CROSS JOIN jsonb_path_query(t.body, '$.sections[*].questions[*] ? (@.kind == "number")') q
     WHERE s.summary->>'stage' = 'finished' AND q->>'key' = e.path
       AND jsonb_typeof(e.body->'value') = 'number' ORDER BY s.id, e.path LIMIT 1`,
  );
  if (!found) throw new Error('the demo has no finished sheet with a temperature');
  return found;
}

/** What the sheet's person said on another of their phones, which had seen nothing of it. */
async function sayFromOtherPhone(browser: Browser, at: Answered, value: number): Promise<void> {
  const { page, context } = await openPhone(browser, office.url, at.email);
  const body: Entry = {
    id: timeOrderedId(Date.now(), crypto.getRandomValues(new Uint8Array(16))),
    ...{ sheet: at.sheet, path: at.path, kind: 'answer', value, unit: at.unit, seen: [] },
    ...{ by: at.person, device: randomUUID(), at: new Date().toISOString(), prev: null },
  };
  const answer = await page.request.post(`${office.url}/api/push`, {
    data: { operations: [{ kind: 'entry', body }] },
  });
  expect(await answer.json()).toMatchObject({ receipts: [{ outcome: 'received' }] });
  await context.close();
}

const approve = (page: Page) => page.getByRole('button', { name: /^Approve/ });

test('answers that differ are told before approving, settled by one press, and then approved', async ({
  browser,
}) => {
  const at = await finishedReading();
  await sayFromOtherPhone(browser, at, at.value + 1.5);
  const desk = await openDesk(browser, office.url, 'sef');
  await desk.goto(`${office.url}/review/${at.sheet}`);
  const differing = desk.getByRole('group', { name: `They differ: ${at.label}` });
  await expect(desk.getByText(`Came in after it was finished: ${at.label}`)).toBeVisible();
  await desk
    .getByRole('button', { name: new RegExp(at.label) })
    .first()
    .click();
  await expect(differing.getByRole('button', { name: 'Let this stand' })).toHaveCount(2);

  await approve(desk).click();
  const warning = desk.getByRole('alert').filter({ hasText: /^Answers differ here/ });
  await expect(warning).toBeVisible();
  const stage = (): Promise<{ stage: string }[]> =>
    office.query(`SELECT summary->>'stage' AS stage FROM sheet WHERE id = $1`, [at.sheet]);
  expect(await stage()).toEqual([{ stage: 'finished' }]);

  await differing.getByRole('button', { name: 'Let this stand' }).first().click();
  await expect(differing).toBeHidden();
  await expect(warning).toBeHidden();
  await expect(desk.getByText(/Two answers differed/)).toBeVisible();
  await approve(desk).click();
  await expect.poll(stage).toEqual([{ stage: 'approved' }]);
});

test('a reviewer passes a hold point at the desk under their own name, and it counts', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await planJob(desk, office.url, {
    place: 'Harbour clinic',
    sheet: 'Penstock joint tightening',
    person: 'Jory Hollin',
    start: '05:15',
  });
  const [made] = await office.query<{ sheet: string; person: string }>(
    `SELECT s.id AS sheet, v.person_id AS person FROM sheet s JOIN visit v ON v.job_id = s.job_id
     WHERE s.title = 'Penstock joint tightening'`,
  );
  if (!made) throw new Error('the job was not made');
  const jory = await openPhone(browser, office.url, 'jory');
  const signature = {
    name: 'Sef',
    strokes: [
      [
        [0.1, 0.1],
        [0.5, 0.2],
      ],
    ],
  };
  const says = (over: object) => ({
    kind: 'entry',
    body: {
      ...{ id: timeOrderedId(Date.now(), crypto.getRandomValues(new Uint8Array(16))) },
      ...{ sheet: made.sheet, kind: 'answer', seen: [], by: made.person, device: randomUUID() },
      ...{ at: new Date().toISOString(), prev: null, ...over },
    },
  });
  const unproven = { ...signature, verdict: 'passed', person: '' };
  const sent = await jory.page.request.post(`${office.url}/api/push`, {
    data: {
      operations: [
        says({ path: 'second_check', value: unproven }),
        says({ path: '~stage', kind: 'finish', value: null }),
      ],
    },
  });
  expect(await sent.json()).toMatchObject({
    receipts: [{ outcome: 'received' }, { outcome: 'received' }],
  });
  await jory.context.close();

  const reviewer = await openDesk(browser, office.url, 'sef');
  await expect
    .poll(() =>
      office.query(`SELECT summary->>'stage' AS stage FROM sheet WHERE id = $1`, [made.sheet]),
    )
    .toEqual([{ stage: 'finished' }]);
  await reviewer.goto(`${office.url}/review/${made.sheet}`);
  const line = reviewer.getByRole('button', { name: /^Joint passed by a second person/ });
  await expect(line).toHaveText(/does not count yet/);
  await line.click();
  await reviewer.getByRole('button', { name: /^Correct a value/ }).click();
  const dialog = reviewer.getByRole('dialog', { name: /^Correct: Joint passed/ });
  await dialog.getByRole('radio', { name: 'I refuse it' }).click();
  await dialog.getByRole('button', { name: 'Refuse it as Sef Callow' }).click();
  await expect(dialog.getByText('Say why it is refused.')).toBeVisible();
  await dialog.getByRole('radio', { name: 'I pass it' }).click();
  await dialog.getByRole('button', { name: 'Pass it as Sef Callow' }).click();
  await expect(dialog).toBeHidden();
  await expect(line).toHaveText(/Passed by Sef Callow/);
  await expect(line).not.toHaveText(/does not count yet/);
});

test('a report that did not go out is seen under “Sent”, tried again, and gone once it went', async ({
  browser,
}) => {
  // One of long ago: that of a test before this one may be going out just now.
  const [one] = await office.query<{ sheet: string }>(
    `UPDATE job SET recipients = '["keeper@tarnhollow.example"]' FROM sheet s, approval a
     WHERE s.job_id = job.id AND a.sheet_id = s.id AND a.sheet_id =
       (SELECT sheet_id FROM approval ORDER BY approved_at, sheet_id LIMIT 1)
     RETURNING a.sheet_id AS sheet`,
  );
  await office.query(
    `UPDATE approval SET mailed_at = NULL, trouble = 'The mail service did not answer.'
     WHERE sheet_id = $1`,
    [one?.sheet],
  );
  const desk = await openDesk(browser, office.url, 'edda');
  await desk.getByRole('link', { name: 'Sent' }).click();
  const troubled = desk.getByRole('group', { name: 'Reports that did not go out' });
  await expect(troubled.getByText(/The mail service did not answer/)).toBeVisible();
  await troubled.getByRole('button', { name: 'Try again' }).click();
  await expect
    .poll(() => office.query(`SELECT 1 FROM approval WHERE trouble IS NOT NULL`), {
      timeout: 60_000,
    })
    .toEqual([]);
  await desk.reload();
  await expect(desk.getByRole('heading', { name: 'Sent' })).toBeVisible();
  await expect(troubled).toBeHidden();
});

test('somebody who works for two organisations chooses one at sign-in', async ({ browser }) => {
  const [org, branch] = [randomUUID(), randomUUID()];
  await office.query(
    `INSERT INTO organisation (id, name, time_zone) VALUES ($1, 'Yonder Isle', 'UTC')`,
    [org],
  );
  await office.query(`INSERT INTO branch (org_id, id, name) VALUES ($1, $2, 'Quay')`, [
    org,
    branch,
  ]);
  await office.query(
    `INSERT INTO person (org_id, id, branch_id, name, email, phone, roles, trade, password_hash)
     SELECT $1, gen_random_uuid(), $2, name, email, phone, roles, trade, password_hash
     FROM person WHERE email LIKE 'edda@%'`,
    [org, branch],
  );
  const page = await (await browser.newContext()).newPage();
  await signIn(page, office.url, 'edda');
  const choice = page.getByRole('group', { name: 'Where do you work now?' });
  await expect(choice.getByRole('button')).toHaveText(['Tarnhollow Upkeep', 'Yonder Isle']);
  await choice.getByRole('button', { name: 'Yonder Isle' }).click();
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeVisible();
  await page.getByRole('link', { name: 'Jobs' }).click();
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible();
  const me = (await (await page.request.get(`${office.url}/api/me`)).json()) as {
    organisation: { name: string };
  };
  expect(me.organisation.name).toBe('Yonder Isle');
});
