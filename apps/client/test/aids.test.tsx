import type { Question, TemplateBody } from '@ant-trail/core/sheet';
import { act, cleanup, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { forgetInstrument } from '@/device/instruments.ts';
import type { LocalStore } from '@/device/local-store.ts';
import { earlierId } from '@/features/capture/session/earlier-id.ts';
import { region, showSheet, SITE, TEMPLATE } from './support/sheet.tsx';

const ask = (kind: string, key: string, label: string, more: object = {}): Question =>
  ({ kind, key, label, required: true, ...more }) as unknown as Question;
const sheet = (...questions: Question[]): TemplateBody => ({
  title: 'T',
  sections: [{ id: 's', title: 'S', questions }],
});
const STORE = 'aaaaaaaa-5555-4555-8555-555555555555';
const PUMP = 'bbbbbbbb-5555-4555-8555-555555555555';
const user = userEvent.setup();
const textbox = (name: string): HTMLInputElement => within(region(name)).getByRole('textbox');

afterEach(() => {
  cleanup();
  forgetInstrument('thermometer');
});

describe('a catalogue of thousands of rows', () => {
  const keep = (store: LocalStore) =>
    store.catalogues.put({
      id: '99999999-9999-4999-8999-999999999999',
      key: 'parts',
      name: 'Parts',
      number: 1,
      importedAt: '2031-01-01T00:00:00Z',
      columns: [{ key: 'shelf', label: 'shelf', kind: 'text' }],
      rows: Array.from({ length: 5000 }, (_, n) => ({
        code: `P${n}`,
        label: `Bolt ${n} mm`,
        fields: { shelf: `A${n % 9}` },
      })),
    });

  test('is searched as words are typed, and a row brings what is known of it', async () => {
    const part = ask('lookup', 'part', 'Part', { catalogue: 'parts' });
    const { at, settled } = await showSheet(sheet(part), { kept: keep });
    await user.type(await within(region('Part')).findByRole('textbox'), 'bolt 4321');
    await user.click(await within(region('Part')).findByRole('button', { name: /^Bolt 4321 mm/ }));
    await settled();
    expect(at('part')?.answer?.value).toEqual({
      catalogue: 'parts',
      row: 'P4321',
      label: 'Bolt 4321 mm',
      fields: { shelf: 'A1' },
    });
    expect(within(region('Part')).getByText(/P4321 · shelf A1/)).toBeTruthy();
    expect(within(region('Part')).queryByRole('button', { name: /as written/ })).toBeNull();
  });

  test('lets a name be written by hand only where the template does, to be mended later', async () => {
    const part = ask('lookup', 'part', 'Part', { catalogue: 'parts', somethingElse: true });
    const { at, settled } = await showSheet(sheet(part), { kept: keep });
    await user.type(await within(region('Part')).findByRole('textbox'), 'odd thing');
    await user.click(within(region('Part')).getByRole('button', { name: /Keep “odd thing”/ }));
    await settled();
    expect(at('part')?.answer?.value).toMatchObject({ row: '', label: 'odd thing' });
    await user.click(within(region('Part')).getByRole('button', { name: 'Change Part' }));
    await user.type(textbox('Part'), 'P7{Enter}');
    await settled();
    expect(at('part')?.answer?.value).toMatchObject({ row: '', label: 'odd thing' });
    await user.click(within(region('Part')).getByRole('button', { name: /^Bolt 7 mm/ }));
    await settled();
    expect(at('part')?.answer?.value).toMatchObject({ row: 'P7' });
  });

  test('is not needed for what the phone knows of the place anyway', async () => {
    const call = { name: 'Ada Finch', role: 'keeper', phone: '+44 1', email: '' };
    const body = sheet(
      ask('lookup', 'whom', 'Whom', { catalogue: 'our_contacts' }),
      ask('lookup', 'which', 'Which', { catalogue: 'our_things' }),
      ask('lookup', 'whose', 'Whose', { catalogue: 'our_owners' }),
    );
    const { at, settled } = await showSheet(body, {
      kept: async (store) => {
        await store.sites.update(SITE, { contacts: [call] });
        const pump = {
          kind: 'pump',
          area: false,
          condition: 'sound',
          purposes: [],
          alsoIn: [],
          shape: null,
          retired: false,
        };
        await store.assets.bulkPut([
          {
            ...pump,
            id: STORE,
            site: SITE,
            kind: 'room',
            name: 'Store',
            area: true,
            within: null,
            facts: {},
          } as never,
          { ...pump, id: PUMP, site: SITE, name: 'Pump 2', within: STORE, facts: {} } as never,
          {
            ...pump,
            id: TEMPLATE,
            site: TEMPLATE,
            name: 'Pump of elsewhere',
            within: null,
            facts: {},
          } as never,
        ]);
        await store.tags.put({ id: PUMP, number: '4711-X', asset: PUMP, boundAt: null });
      },
    });
    await user.click(await within(region('Whom')).findByRole('button', { name: /^Ada Finch/ }));
    await settled();
    expect(at('whom')?.answer?.value).toMatchObject({
      label: 'Ada Finch',
      fields: { phone: '+44 1' },
    });
    const which = within(region('Which'));
    expect(which.queryByText('Pump of elsewhere')).toBeNull();
    await user.type(which.getByRole('textbox'), '4711');
    await user.click(which.getByRole('button', { name: /^Pump 2/ }));
    await settled();
    expect(at('which')?.answer?.value).toMatchObject({ row: PUMP, label: 'Pump 2' });
    expect(which.getByText('kind pump · in Store · label 4711-X')).toBeTruthy();
    expect(within(region('Whose')).getByText('The office knows of none here.')).toBeTruthy();
  });

  test('that is not on the phone yet blocks nothing but itself', async () => {
    await showSheet(sheet(ask('lookup', 'part', 'Part', { catalogue: 'parts' })));
    expect(await within(region('Part')).findByText(/comes with the next sync/)).toBeTruthy();
  });
});

test('an instrument that drops out or refuses leaves the value to be taken again or typed', async () => {
  const question = ask('instrument', 'heat', 'Heat', { unit: 'Cel', instrument: 'thermometer' });
  const { at, settled } = await showSheet(sheet(question));
  const heat = within(region('Heat'));
  const waits = { timeout: 4000 };
  await user.click(heat.getByRole('button', { name: 'Take Heat from the thermometer' }));
  await user.click(
    await screen.findByRole('button', { name: /^Thermometer C/, hidden: true }, waits),
  );
  expect((await heat.findByRole('alert', {}, waits)).textContent).toMatch(/refuses: its battery/);
  expect(at('heat')?.answer).toBeNull();
  await user.click(heat.getByRole('button', { name: /^Take Heat/ }));
  expect(await heat.findByText(/^From thermometer TH-4129/, {}, waits)).toBeTruthy();
  await settled();
  expect(at('heat')?.answer).toMatchObject({
    unit: 'Cel',
    value: { instrument: 'thermometer', serial: 'TH-4129' },
  });
  await user.clear(textbox('Heat'));
  await user.type(textbox('Heat'), '19{Tab}');
  await settled();
  expect(at('heat')?.answer).toMatchObject({ unit: 'Cel', value: 19 });
});

describe('dictation', () => {
  interface Speech {
    onresult: ((event: unknown) => void) | null;
    onerror: ((event: unknown) => void) | null;
    onend: (() => void) | null;
  }
  let speech: Speech | null = null;
  const started = (made: Speech): void => {
    speech = made;
  };
  const globals = globalThis as Record<string, unknown>;
  afterEach(() => {
    delete globals['webkitSpeechRecognition'];
  });
  const listen = (): void => {
    globals['webkitSpeechRecognition'] = class {
      onresult = null;
      onerror = null;
      onend: (() => void) | null = null;
      start() {
        started(this);
      }
      stop() {
        this.onend?.();
      }
    };
  };
  const hear = (...words: string[]) =>
    act(() => speech?.onresult?.({ results: words.map((transcript) => [{ transcript }]) }));

  test('is not offered where the browser has none', async () => {
    await showSheet(sheet(ask('text', 'note', 'Note')));
    expect(within(region('Note')).queryByRole('button', { name: /Dictate/ })).toBeNull();
  });

  test('adds what is heard to what stands there, to be mended like anything typed', async () => {
    listen();
    const { at, settled } = await showSheet(sheet(ask('text', 'note', 'Note')));
    await user.type(textbox('Note'), 'Left:');
    await user.click(within(region('Note')).getByRole('button', { name: 'Dictate Note' }));
    hear('the gutter');
    hear('the gutter is', 'loose');
    expect(textbox('Note').value).toBe('Left: the gutter is loose');
    const stop = within(region('Note')).getByRole('button', { name: 'Stop dictating Note' });
    // The second tap of two that began it would stop it.
    await waitFor(() => expect(stop.getAttribute('aria-disabled')).not.toBe('true'));
    await user.click(stop);
    await settled();
    expect(at('note')?.answer?.value).toBe('Left: the gutter is loose');
  });

  test('that fails says why, and what was typed stays', async () => {
    listen();
    await showSheet(sheet(ask('text', 'note', 'Note')));
    await user.type(textbox('Note'), 'Gutter');
    await user.click(within(region('Note')).getByRole('button', { name: 'Dictate Note' }));
    act(() => {
      speech?.onerror?.({ error: 'network' });
      speech?.onend?.();
    });
    expect(within(region('Note')).getByRole('alert').textContent).toMatch(/needs a network/);
    expect(textbox('Note').value).toBe('Gutter');
  });
});

describe('what is known already', () => {
  const alarms = ask('rows', 'alarms', 'Alarms', {
    each: 'alarm',
    of: 'alarm',
    required: false,
    questions: [ask('text', 'model', 'Model'), ask('yesNo', 'works', 'Works?')],
  });
  const thing = '017f22e2-79b0-7000-a000-00000000aaaa';

  test('from the visit before is offered beside the question, and taken with one press', async () => {
    const { at, settled } = await showSheet(sheet(ask('text', 'maker', 'Maker'), alarms), {
      kept: (store) =>
        store.earlier.put({
          id: earlierId(SITE, TEMPLATE, null),
          site: SITE,
          template: TEMPLATE,
          day: '2031-03-03',
          answers: [
            { path: 'maker', value: 'Fell' },
            { path: `alarms/${thing}`, value: { order: 1, name: 'Stove' } },
            { path: `alarms/${thing}/model`, value: 'S4' },
          ],
        }),
    });
    expect(at('maker')?.answer).toBeNull();
    await user.click(screen.getByRole('button', { name: 'As last time for Maker: Fell' }));
    await user.click(
      screen.getByRole('button', { name: /^As last time for Alarms: the 1 row of/ }),
    );
    await settled();
    expect(at('maker')?.answer?.value).toBe('Fell');
    expect(at(`alarms/${thing}/model`)?.answer?.value).toBe('S4');
    expect(at(`alarms/${thing}/works`)?.answer).toBeNull();
    expect(screen.queryByRole('button', { name: /^As last time/ })).toBeNull();
  });

  test('to the register gets its rows, in the order of the house', async () => {
    const asset = (id: string, name: string) => ({
      ...{ id, site: SITE, kind: 'alarm', name, area: false, within: null },
      ...{ condition: 'unknown' as const, facts: {}, purposes: [], alsoIn: [], shape: null },
    });
    const { at, settled } = await showSheet(sheet(alarms), {
      kept: (store) =>
        store.assets.bulkPut([
          { ...asset(thing, 'Alarm 10'), retired: false },
          { ...asset(thing.replace('aaaa', 'bbbb'), 'Alarm 9'), retired: false },
          { ...asset(thing.replace('aaaa', 'cccc'), 'Gone'), retired: true },
        ]),
    });
    await user.click(await screen.findByRole('button', { name: 'Put in 2 from the register' }));
    await settled();
    expect(at('alarms')?.rows.map(({ name }) => name)).toEqual(['Alarm 9', 'Alarm 10']);
    expect(at('alarms')?.rows[1]?.id).toBe(thing);
    await user.click(screen.getByRole('button', { name: /Alarm 10/ }));
    await user.click(screen.getByRole('button', { name: 'Move it up' }));
    await settled();
    expect(at('alarms')?.rows.map(({ name }) => name)).toEqual(['Alarm 10', 'Alarm 9']);
  });
});
