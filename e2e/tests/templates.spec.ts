import { expect, test, type Locator, type Page } from '@playwright/test';
import { TestOffice } from '../support/office.ts';
import {
  drawSignature,
  find,
  openDesk,
  openPhone,
  planJob,
  question,
  startSheet,
} from '../support/people.ts';

let office: TestOffice;
test.beforeAll(async () => {
  office = await TestOffice.open();
});
test.afterAll(() => office.close());

const outline = (page: Page, label: string) =>
  page.getByRole('main').getByRole('button', { name: new RegExp(`^(needs eyes ?)?${label}`) });

/** A template's line in the list: tests share the office, so others may stand there too. */
const published = (page: Page, title: string) =>
  page.getByRole('main').getByRole('button', { name: new RegExp(`^${title}`) });

/** Adds a question of a kind after the chosen one and gives it its words. */
async function add(page: Page, kind: string, label: string): Promise<void> {
  await page.getByRole('button', { name: `Add: ${kind}`, exact: true }).click();
  const words = page.getByRole('textbox', { name: 'Question', exact: true });
  await expect(words).toHaveValue('New question');
  await words.fill(label);
  await words.blur();
  await expect(outline(page, label)).toBeVisible();
}

async function pickCondition(
  page: Page,
  rule: string,
  [of, compared, value]: readonly [string, string, string],
): Promise<void> {
  await page.getByRole('button', { name: `Pick: ${rule}, put together` }).click();
  const group = page.getByRole('group', { name: 'Condition' });
  await group.getByLabel('Question').selectOption({ label: of });
  await group.getByLabel('Compared').selectOption({ label: compared });
  const pick = group.getByRole('combobox', { name: 'With' });
  if (await pick.count()) await pick.selectOption({ label: value });
  else await group.getByLabel('With').fill(value);
  await group.getByRole('button', { name: 'Take this condition' }).click();
}

test('a template of twenty questions is built, tried, published and used', async ({ browser }) => {
  test.setTimeout(240_000);
  const desk = await openDesk(browser, office.url, 'edda');
  await desk.goto(`${office.url}/templates`);
  await desk.getByRole('button', { name: 'New template' }).click();
  await desk.getByRole('textbox', { name: 'Title' }).fill('Footbridge check');

  await test.step('questions are added and given rules', async () => {
    await add(desk, 'Yes, no or not applicable', 'Rail firm?');
    await add(desk, 'Words', 'What is loose?');
    await pickCondition(desk, 'Asked when', ['Rail firm?', 'is', 'No']);
    await add(desk, 'Number with a unit', 'Sag in the middle');
    await desk.getByLabel(/^Unit/).fill('mm');
    await desk.getByLabel('Expected from').fill('0');
    await desk.getByLabel('to', { exact: true }).fill('40');
    for (let i = 1; i <= 12; i++) await add(desk, 'Performed or not performed', `Task ${i}`);
    await add(desk, 'Words', 'Why not the last one?');
    await pickCondition(desk, 'Asked when', ['Task 12', 'is', 'Not performed']);
    await add(desk, 'Row group', 'Planks');
    await desk.getByLabel('One of them is called').fill('plank');
    await desk.getByLabel(/There from the start/).fill('Plank 1\nPlank 2');
    await add(desk, 'Number with a unit', 'Wear');
    await outline(desk, 'Planks').click();
    await desk.getByRole('button', { name: 'Sheet', exact: true }).click();
    await outline(desk, 'Task 1').first().click();
    await add(desk, 'Calculated value', 'Wear altogether');
    await desk.getByLabel('Formula').fill('sum(planks, "wear")');
    await desk.getByRole('button', { name: 'Add a finding rule' }).click();
    await desk.getByRole('textbox', { name: 'Finding when' }).fill('wear_altogether > 10');
    await desk.getByLabel('What is found').fill('The deck is worn through');
    await add(desk, 'Signature', 'Signed');
  });

  await test.step('the preview runs it, and a reload loses nothing', async () => {
    const preview = desk.getByRole('complementary', { name: 'How it works' });
    await expect(preview.getByText('What is loose?')).toBeHidden();
    await preview
      .getByRole('radiogroup', { name: 'Rail firm?' })
      .getByText('No', { exact: true })
      .click();
    await expect(preview.getByText('What is loose?')).toBeVisible();
    await preview.getByLabel('Try Wear').first().fill('11');
    await expect(preview.getByText('Finding: The deck is worn through')).toBeVisible();
    await desk.reload();
    await expect(outline(desk, 'Planks')).toBeVisible();
    await expect(outline(desk, 'Task 12')).toBeVisible();
  });

  await test.step('a question is dragged to another place', async () => {
    const handle = desk.getByRole('button', { name: 'Move Sag in the middle', exact: true });
    const target = desk.getByRole('button', { name: 'Move What is loose?', exact: true });
    await handle.scrollIntoViewIfNeeded();
    const [from, to] = [await handle.boundingBox(), await target.boundingBox()];
    if (!from || !to) throw new Error('there is nothing to drag');
    await desk.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
    await desk.mouse.down();
    await desk.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 8 });
    await desk.mouse.move(to.x + to.width / 2, to.y + 4, { steps: 3 });
    await desk.mouse.up();
    const lines = desk.getByRole('main').getByRole('button', { name: /^(What is loose|Sag in)/ });
    await expect(lines.first()).toHaveText(/Sag in the middle/);
  });

  await test.step('a problem keeps it from being published, and leads to its question', async () => {
    await outline(desk, 'Wear altogether').click();
    await desk.getByLabel('Formula').fill('sum(planks, "wera")');
    const problems = desk.getByRole('list', { name: 'Problems' });
    await expect(problems.getByText(/“wera” is no question of the rows planks/)).toBeVisible();
    await desk.getByRole('button', { name: 'Undo' }).click();
    for (let i = 0; i < 4 && (await problems.isVisible()); i++)
      await desk.getByRole('button', { name: 'Undo' }).click();
    await expect(problems).toBeHidden();
  });

  await desk.getByRole('button', { name: 'Publish', exact: true }).click();
  await desk.getByRole('button', { name: 'Publish this version' }).click();
  await expect(published(desk, 'Footbridge check')).toContainText('20 questions');

  await test.step('it is planned and filled in on a phone', async () => {
    await planJob(desk, office.url, {
      place: 'Harbour clinic',
      sheet: 'Footbridge check',
      person: 'Imke Dorrance',
      start: '07:45',
    });
    const { page } = await openPhone(browser, office.url, 'imke');
    await startSheet(page, 'Footbridge check');
    await question(page, 'Rail firm?').getByRole('radio', { name: 'Yes' }).click();
    await question(page, 'Planks')
      .getByRole('button', { name: /Plank 2/ })
      .click();
    await page.getByRole('textbox', { name: 'Wear', exact: true }).fill('12');
    await expect(question(page, 'Wear altogether').getByText('12')).toBeVisible();
    await page
      .getByRole('button', { name: /^Close out 1\d blanks/ })
      .last()
      .click();
    await page.getByRole('dialog').getByRole('button', { name: 'Close out', exact: true }).click();
    await expect(question(page, 'Task 3').getByText(/Not applicable, closed out/)).toBeVisible();
    await drawSignature(page);
    await page.getByRole('button', { name: 'Finish', exact: true }).click();
    await page.getByRole('button', { name: 'Finish the sheet' }).click();
    await expect(page.getByText(/finished|received/).first()).toBeVisible();
  });
});

/** Reaches something by the Tab key alone. */
async function reach(page: Page, target: Locator, key: 'Tab' | 'Shift+Tab' = 'Tab') {
  await expect(target).toBeVisible();
  for (let presses = 0; presses < 500; presses++) {
    if (await target.evaluate((element) => element === document.activeElement)) return;
    await page.keyboard.press(key);
  }
  throw new Error('it can’t be reached by keyboard');
}

test('by keyboard alone a template of twenty questions is built, tried and published', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await desk.goto(`${office.url}/templates`);
  const { keyboard } = desk;
  const field = (name: string | RegExp): Locator => desk.getByRole('textbox', { name }).first();
  const typeInto = async (name: string | RegExp, text: string): Promise<void> => {
    await reach(desk, field(name));
    await keyboard.press('Control+a');
    await keyboard.type(text);
  };
  const addByKeys = async (kind: string, label: string): Promise<void> => {
    await keyboard.press('Alt+n');
    await expect(field('Find a kind of question')).toBeFocused();
    await keyboard.type(kind);
    await keyboard.press('Enter');
    await expect(field(/^Question$/)).toBeFocused();
    await keyboard.press('Control+a');
    await keyboard.type(label);
    await keyboard.press('Tab');
    await expect(outline(desk, label)).toBeVisible();
  };
  await reach(desk, desk.getByRole('button', { name: /new template$/i }));
  await keyboard.press('Enter');
  await typeInto('Title', 'Landing stage check');
  await addByKeys('yes, no', 'Rail firm?');
  await addByKeys('free words', 'What is loose?');
  await typeInto('Asked when', 'rail_firm == "no"');
  await addByKeys('number with', 'Planks seen');
  await addByKeys('number with', 'Planks worn');
  await typeInto(/^Must be answered when|^A reason is wanted when/, 'planks_worn > 5.0');
  for (let task = 1; task <= 11; task++) await addByKeys('performed or', `Task ${task}`);
  await addByKeys('free words', 'Why not the last?');
  await typeInto('Asked when', 'task_11 == "not"');
  await addByKeys('row group', 'Bollards');
  await typeInto('One of them is called', 'bollard');
  await addByKeys('number with', 'Play');
  await keyboard.press('Alt+n');
  await reach(desk, outline(desk, 'Task 1').first());
  await keyboard.press('Enter');
  await addByKeys('computed from', 'Planks left');
  await typeInto('Formula', 'planks_seen - planks_worn');
  await reach(desk, desk.getByRole('button', { name: 'Add a finding rule' }));
  await keyboard.press('Enter');
  await typeInto('Finding when', 'planks_left < 3.0');
  await typeInto('What is found', 'Hardly a plank is left');
  await addByKeys('signed with', 'Signed');

  await test.step('it is tried', async () => {
    const preview = desk.getByRole('complementary', { name: 'How it works' });
    await reach(desk, preview.getByLabel('Try Planks seen'));
    await keyboard.type('9');
    await reach(desk, preview.getByLabel('Try Planks worn'));
    await keyboard.type('7,5');
    await expect(preview.getByText('Finding: Hardly a plank is left')).toBeVisible();
  });
  await reach(desk, desk.getByRole('button', { name: 'Publish', exact: true }), 'Shift+Tab');
  await keyboard.press('Enter');
  await reach(desk, desk.getByRole('button', { name: 'Publish this version' }));
  await keyboard.press('Enter');
  await expect(published(desk, 'Landing stage check')).toContainText('20 questions');
});

test('a template takes known questions and a spreadsheet’s, a programme and a variant', async ({
  browser,
}) => {
  const desk = await openDesk(browser, office.url, 'edda');
  await desk.goto(`${office.url}/templates?open=new`);
  await desk.getByRole('textbox', { name: 'Title' }).fill('Store house');
  await desk.getByLabel('Questions from CSV or XLSX').setInputFiles({
    name: 'questions.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'Section;Question;Kind;Unit;From;To;Choices\n' +
        'Store;Roof tight?;;;;;\n;Air in the store;number;Cel;2;12\n;Floor;;;;;Dry;!Wet\n' +
        ';Smell;sniff;;;;\n',
    ),
  });
  const dialog = desk.getByRole('dialog', { name: 'Questions from a file' });
  await expect(dialog.getByText('Line 5: “sniff” is no kind of question')).toBeVisible();
  await dialog.getByRole('button', { name: 'Put 3 questions in' }).click();
  await outline(desk, 'Floor').click();
  await desk.getByRole('radio', { name: 'Known' }).click();
  await desk.getByLabel('Find a question').fill('brake 1 rel');
  await desk
    .getByRole('button', { name: /: add it$/ })
    .first()
    .click();
  await desk.getByRole('button', { name: 'Sheet', exact: true }).click();

  await desk.getByRole('button', { name: 'Add a programme' }).click();
  await desk.getByLabel('Name of the programme').fill('Winter');
  await desk.getByLabel('Name of the programme').blur();
  await expect(desk.getByText('Called “winter” in expressions.')).toBeVisible();
  await desk.getByRole('combobox', { name: 'Floor' }).selectOption({ label: 'left out' });
  const preview = desk.getByRole('complementary', { name: 'How it works' });
  await expect(preview.getByRole('radiogroup', { name: 'Floor' })).toBeVisible();
  await preview.getByLabel('Programme').selectOption({ label: 'Winter' });
  await expect(preview.getByRole('radiogroup', { name: 'Floor' })).toBeHidden();
  await outline(desk, 'Floor').click();
  await expect(preview.getByRole('status', { name: 'Why' })).toContainText(
    'The programme “Winter” decides about it.',
  );
  await preview.getByLabel('Try Air in the store').fill('5');
  await preview.getByLabel('Keep these answers as a variant called').fill('Cool store');
  await preview.getByRole('button', { name: 'Keep the variant' }).click();
  await desk.getByRole('button', { name: 'Sheet', exact: true }).click();
  await expect(desk.getByText('Cool store, 1 answer')).toBeVisible();
  await desk.getByRole('button', { name: 'Publish', exact: true }).click();
  await desk.getByRole('button', { name: 'Publish this version' }).click();
  await expect(published(desk, 'Store house')).toContainText('version 1');

  await desk.goto(`${office.url}/day?new=job`);
  const job = desk.getByRole('dialog', { name: 'New job' });
  await find(job, 'Place', 'Harbour clinic');
  await find(job, 'Sheet', 'Store house');
  await job.getByLabel('Programme').selectOption({ label: 'Winter' });
  await job.getByLabel('Start').fill('06:00');
  await find(job, 'Person', 'Tove Aske');
  await job.getByRole('button', { name: 'Make the job' }).click();
  await expect(job).toBeHidden();
  const { page } = await openPhone(browser, office.url, 'tove');
  await startSheet(page, 'Store house');
  await expect(page.getByLabel('Programme')).toHaveValue('winter');
  await page.getByRole('button', { name: 'Cool store' }).click();
  await expect(question(page, 'Air in the store').getByRole('textbox')).toHaveValue('5');
  await expect(question(page, 'Floor')).toBeHidden();
});
