import { spaced } from '@ant-trail/core/codes';
import { chainBreaks, photoPath, timeOrderedId, type PhotoValue } from '@ant-trail/core/log';
import {
  askedCode,
  givenCode,
  questionAtPath,
  QUESTION_KINDS,
  type Question,
  type TemplateBody,
} from '@ant-trail/core/sheet';
import { act, cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useSettings } from '@/device/settings.ts';
import { openSession, type SheetSession } from '@/features/capture/session/sheet-session.ts';
import { CASES, questionOf } from '../../../packages/core/test/every-kind.ts';
import { COLLEAGUE, ME, region, showSheet } from './support/sheet.tsx';

const sheet = (...questions: Question[]): TemplateBody => ({
  title: 'T',
  sections: [{ id: 's', title: 'S', questions }],
});
const number = (more: object = {}): Question =>
  ({
    kind: 'number',
    key: 'level',
    label: 'Level',
    required: true,
    unit: 'mm',
    alsoIn: ['[in_i]'],
    expected: { low: 10, high: 50 },
    ...more,
  }) as unknown as Question;

afterEach(() => {
  cleanup();
  act(() => useSettings.getState().change({ units: 'SI' }));
});

const user = userEvent.setup();
const textbox = (name: string): HTMLInputElement => within(region(name)).getByRole('textbox');
const type = async (element: HTMLElement, words: string): Promise<void> => {
  await user.clear(element);
  await user.type(element, words);
  await user.tab();
};

/** Uses every control there is, as a finger, a mouse, a keyboard and a file picker would. */
async function tryEverything(place: HTMLElement): Promise<void> {
  const all = (selector: string): HTMLElement[] => [
    ...place.querySelectorAll<HTMLElement>(selector),
  ];
  for (const field of all('input, textarea')) {
    const { type } = field as HTMLInputElement;
    if (type === 'file') {
      const file = new File(['x'], 'x.jpg', { type: 'image/jpeg' });
      fireEvent.change(field, { target: { files: [file] } });
      continue;
    }
    const value = { date: '2031-04-05', time: '07:45' }[type] ?? '7';
    fireEvent.change(field, { target: { value } });
    fireEvent.blur(field);
    fireEvent.keyDown(field, { key: 'Enter' });
  }
  for (const list of all('select'))
    for (const option of list.querySelectorAll('option'))
      fireEvent.change(list, { target: { value: option.value } });
  for (const pad of all('canvas, svg, [role=img]')) {
    fireEvent.pointerDown(pad, { pointerId: 1, clientX: 5, clientY: 5, buttons: 1 });
    fireEvent.pointerMove(pad, { pointerId: 1, clientX: 60, clientY: 30, buttons: 1 });
    fireEvent.pointerUp(pad, { pointerId: 1, clientX: 60, clientY: 30 });
  }
  for (const control of all('button, label, [role=radio], [role=checkbox], [role=button]')) {
    await act(async () => {
      fireEvent.click(control);
      fireEvent.keyDown(control, { key: ' ' });
      await Promise.resolve();
    });
  }
}

describe.each(QUESTION_KINDS)('the control for %s', (kind) => {
  const { good, path, unit } = CASES[kind];
  const question = questionOf(kind);

  test('takes nothing while it is locked, whatever is pressed or written', async () => {
    const { settled, entries } = await showSheet(sheet(question), { locked: true });
    await tryEverything(region('Asked'));
    await settled();
    expect(await entries()).toEqual([]);
  });

  test('unlocked, the same presses and words do something', async () => {
    const { settled, entries } = await showSheet(sheet(question));
    const before = region('Asked').innerHTML;
    await tryEverything(region('Asked'));
    await settled();
    // What opens a camera, a dialog or a pad first shows that; the rest is answered at once.
    const did = (await entries()).length > 0 || region('Asked').innerHTML !== before;
    expect(did || document.querySelector('dialog') !== null).toBe(kind !== 'calculated');
  });

  test('shows what was answered', async () => {
    const { session } = await showSheet(sheet(question));
    if (good !== null)
      await act(async () => {
        const more = unit === undefined ? {} : { unit };
        const problem = await session.write(path?.('asked') ?? 'asked', 'answer', good, more);
        expect(problem).toBeNull();
      });
    const shown = region('Asked');
    const values = within(shown)
      .queryAllByRole<HTMLInputElement>('textbox')
      .map((field) => field.value);
    const inputs = [...shown.querySelectorAll('input')].map((field) => field.value);
    const chosen = within(shown)
      .queryAllByRole('radio', { checked: true })
      .concat(within(shown).queryAllByRole('checkbox', { checked: true }))
      .map((option) => option.textContent);
    const all = [...values, ...inputs, ...chosen, shown.textContent].join(' | ');
    expect(all).toMatch(SHOWS[kind]);
  });
});

/** What must be seen of the answer of each kind. */
const SHOWS: Record<(typeof QUESTION_KINDS)[number], RegExp> = {
  yesNo: /No \|/,
  performed: /Performed \|/,
  acknowledge: /Yes, it is so/,
  choice: /●Bad/,
  choices: /●Good \| ●Bad/,
  number: /12\.5/,
  instrument: /7/,
  percentage: /40/,
  shares: /40 \| 60/,
  calculated: /2/,
  text: /words/,
  phone: /\+299 55 01 23/,
  email: /hut@tarnhollow\.example/,
  date: /2031-04-05/,
  time: /07:45/,
  moment: /2031-04-05 \| 07:45/,
  address: /Quay 3/,
  code: /TH-1/,
  lookup: /Oats/,
  photo: /Add a photo/,
  video: /v\.webm/,
  voice: /n\.webm/,
  file: /plan\.pdf/,
  signature: /Signed by Ada/,
  hold: /Passed by Bo/,
  sketch: /Undo/,
  rows: /First/,
};

describe('a number', () => {
  test('is judged while it is typed, kept with a decimal comma, and refused as nonsense', async () => {
    const { at, settled } = await showSheet(sheet(number()));
    await user.type(textbox('Level'), '7,5');
    expect(within(region('Level')).getByRole('alert').textContent).toMatch(
      /^Below the expected 10 to 50 mm/,
    );
    await user.tab();
    await settled();
    expect(at('level')?.answer).toMatchObject({ value: 7.5, unit: 'mm' });
    await type(textbox('Level'), '1.000.5');
    await settled();
    expect(within(region('Level')).getByText(/no marks for thousands/)).toBeTruthy();
    expect(at('level')?.answer?.value).toBe(7.5);
    await user.clear(textbox('Level'));
    await user.tab();
    await settled();
    expect(at('level')?.answer).toBeNull();
  });

  test('keeps the unit it was entered in, and says what that is in its own', async () => {
    const { at, settled } = await showSheet(sheet(number()));
    await user.click(screen.getByRole('button', { name: 'Enter in in instead' }));
    await type(textbox('Level'), '1.5');
    await settled();
    expect(at('level')?.answer).toMatchObject({ value: 1.5, unit: '[in_i]' });
    expect(within(region('Level')).getByText('That is 38.1 mm.')).toBeTruthy();
    expect(screen.queryByRole('button', { name: /^Enter in/ })).toBeNull();
  });

  test('is asked for in the person’s own system, its range too', async () => {
    act(() => useSettings.getState().change({ units: 'US' }));
    await showSheet(sheet(number()));
    expect(within(region('Level')).getByText('Expected 0.3938 to 1.968 in.')).toBeTruthy();
  });

  test('asks which of two a comma means, and keeps neither by itself', async () => {
    const { at, settled } = await showSheet(sheet(number({ expected: { low: 0, high: 5_000 } })));
    await type(textbox('Level'), '1,234');
    await settled();
    expect(within(region('Level')).getByText('Is this 1.234 or 1234?')).toBeTruthy();
    expect(at('level')?.answer).toBeNull();
    await user.click(screen.getByRole('button', { name: '1234' }));
    await user.click(textbox('Level'));
    await user.tab();
    await settled();
    expect(at('level')?.answer).toMatchObject({ value: 1234 });
  });

  test('may be followed by its own unit, and by no other', async () => {
    const { at, settled } = await showSheet(sheet(number()));
    await type(textbox('Level'), '12,5 mm');
    await settled();
    expect(at('level')?.answer).toMatchObject({ value: 12.5, unit: 'mm' });
    await type(textbox('Level'), '12 in');
    await settled();
    expect(within(region('Level')).getByText(/^Leave the unit away/)).toBeTruthy();
    expect(at('level')?.answer).toMatchObject({ value: 12.5 });
  });

  test('off the scale of the meter is an answer by one press, kept with its unit', async () => {
    const asked = number({ offScale: true, expected: { low: 1 } });
    const { at, settled } = await showSheet(sheet(asked));
    await user.type(textbox('Level'), '999');
    await user.click(screen.getByRole('button', { name: 'More than the meter shows' }));
    expect(textbox('Level').value).toBe('> 999');
    await user.click(textbox('Level'));
    await user.tab();
    await settled();
    expect(at('level')?.answer).toMatchObject({
      ...{ value: { offScale: 'above', limit: 999 }, unit: 'mm' },
    });
    expect(within(region('Level')).queryByRole('alert')).toBeNull();
    await user.click(screen.getByRole('button', { name: 'As the meter shows it' }));
    await user.click(textbox('Level'));
    await user.tab();
    await settled();
    expect(at('level')?.answer).toMatchObject({ value: 999, unit: 'mm' });
  });

  test('is held against the last values, and what is unusual is named', async () => {
    const earlier = { level: [20, 21, 19, 20, 22, 20, 19, 21, 20] };
    await showSheet(sheet(number()), { earlier });
    await user.type(textbox('Level'), '45');
    expect(within(region('Level')).getByText('Unusual: far from its usual values.')).toBeTruthy();
    await user.clear(textbox('Level'));
    await user.type(textbox('Level'), '20');
    expect(within(region('Level')).queryByText(/^Unusual/)).toBeNull();
  });
});

test('two quick answers of one person never differ from each other', async () => {
  const { session, at, entries } = await showSheet(sheet(number()));
  await act(async () => {
    await Promise.all(
      [11, 12, 13].map((value) => session.write('level', 'answer', value, { unit: 'mm' })),
    );
  });
  expect(at('level')?.disagreement).toEqual([]);
  expect(at('level')?.answer?.value).toBe(13);
  const written = await entries();
  expect(written.map((entry) => entry.seen)).toEqual([[], [written[0]?.id], [written[1]?.id]]);
});

test('several entries are kept all or none', async () => {
  const { session, entries } = await showSheet(sheet(number()));
  const problem = await session.writeAll([
    { path: 'level', kind: 'answer', value: 20, unit: 'mm' },
    { path: 'nowhere', kind: 'answer', value: 20 },
  ]);
  expect(problem).toMatch(/no question “nowhere”/);
  expect(await entries()).toEqual([]);
});

test('shares say what is missing until they come to a hundred', async () => {
  const { at, settled } = await showSheet(sheet(questionOf('shares')));
  const first = screen.getByLabelText('First, in percent');
  const second = screen.getByLabelText('Second, in percent');
  await user.type(first, '40');
  await user.type(second, '50');
  await settled();
  expect(screen.getByRole('alert').textContent).toBe('Together they are 90 %: 10 too little.');
  expect(at('asked')?.answer).toBeNull();
  await user.clear(second);
  await user.type(second, '60');
  await settled();
  expect(at('asked')?.answer?.value).toEqual({ shares: { first: 40, second: 60 } });
});

test('an answer is offered, and counts only when it is taken', async () => {
  const { at, settled } = await showSheet(sheet(number({ suggest: '12 + 8' })));
  expect(at('level')?.answer).toBeNull();
  await user.click(screen.getByRole('button', { name: 'Take 20 mm for Level' }));
  await settled();
  expect(at('level')?.answer).toMatchObject({ value: 20, unit: 'mm' });
  expect(screen.queryByRole('button', { name: /^Take/ })).toBeNull();
});

test('what is closed out says so and is opened again by undoing it', async () => {
  const { session, at, settled } = await showSheet(sheet(number(), questionOf('text')));
  await act(async () => {
    await session.closeOut(['level', 'asked']);
  });
  expect(within(region('Level')).getByText('Not applicable, closed out with 1 more.')).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Undo closing out Level' }));
  await settled();
  expect(at('asked')?.closedOut).toBeNull();
});

describe('rows', () => {
  const rows: Question = {
    kind: 'rows',
    key: 'beds',
    label: 'Beds',
    each: 'bed',
    required: false,
    starts: ['Window', 'Door'],
    most: 4,
    questions: [number(), { kind: 'code', key: 'tag', label: 'Tag', required: false }],
  };

  test('are opened one by one, copied without their tag, removed and brought back', async () => {
    const { at, session, settled } = await showSheet(sheet(rows));
    await act(async () => {
      await session.writeAll([
        { path: 'beds/s1/level', kind: 'answer', value: 20, unit: 'mm' },
        { path: 'beds/s1/tag', kind: 'answer', value: { code: 'T1', how: 'typed' } },
      ]);
    });
    await user.click(screen.getByRole('button', { name: /Window/ }));
    await user.click(screen.getByRole('button', { name: 'On to Door' }));
    await user.click(screen.getByRole('button', { name: 'As in Window' }));
    await settled();
    expect(at('beds/s2/level')?.answer?.value).toBe(20);
    expect(at('beds/s2/tag')?.answer).toBeNull();
    await user.click(screen.getByRole('button', { name: 'Remove' }));
    await settled();
    expect(at('beds')?.rows.map((row) => row.name)).toEqual(['Window']);
    await user.click(screen.getByRole('button', { name: 'Bring it back' }));
    await settled();
    expect(at('beds')?.rows.map((row) => row.name)).toEqual(['Window', 'Door']);
    expect(at('beds/s2/level')?.answer?.value).toBe(20);
  });

  test('the one that holds what is sought opens by itself, and the field has the focus', async () => {
    const { session } = await showSheet(sheet(rows));
    act(() => session.seek('beds/s2/level'));
    expect(document.activeElement).toBe(textbox('Level'));
    expect(screen.getByRole('button', { name: /Door/, expanded: true })).toBeTruthy();
    expect(session.sought.getState().path).toBeNull();
  });
});

test('a consent is read before it is signed and after, and asks who signs', async () => {
  const asked = { ...questionOf('signature'), consent: 'We run a fan.\nYou can stop us.' };
  const { at, settled } = await showSheet(sheet(asked));
  const words = await screen.findByRole('document', { name: 'What is consented to' });
  expect(words.textContent).toBe('We run a fan.You can stop us.');
  // It is not that of whoever holds the phone.
  const who = await screen.findByRole<HTMLInputElement>('textbox', { name: 'Who signs' });
  expect(who.value).toBe('');
  await user.click(screen.getByRole('button', { name: /^Sign by typing the name/ }));
  expect(screen.getByText('Write who signs.')).toBeTruthy();
  await user.type(who, 'Ansa Fell');
  await user.click(screen.getByRole('button', { name: /^Sign by typing the name/ }));
  await settled();
  expect(at('asked')?.answer?.value).toMatchObject({ name: 'Ansa Fell', typed: true });
  expect(screen.getByRole('document', { name: 'What is consented to' })).toBeTruthy();
});

test('a signature is given by keyboard alone, and says so', async () => {
  const { at, settled } = await showSheet(sheet(questionOf('signature')));
  const name = within(region('Asked')).getByLabelText('Who signs');
  act(() => name.focus());
  for (let tabs = 0; tabs < 6; tabs++) {
    await user.tab();
    if (document.activeElement?.textContent?.startsWith('Sign by typing')) break;
  }
  await user.keyboard('{Enter}');
  await settled();
  expect(at('asked')?.answer?.value).toMatchObject({ strokes: [], typed: true });
  expect(at('asked')?.looseEnds).toEqual([]);
  expect(within(region('Asked')).getByText(/, by typing the name/)).toBeTruthy();
});

describe('what a colleague answers while the sheet is open', () => {
  const LEVEL = number({ alsoIn: ['cm'] });
  const theirs = (session: SheetSession, value: number, unit: string, seen: readonly string[]) => ({
    ...{ id: timeOrderedId(Date.now() + 50, new Uint8Array(16).fill(7)), sheet: session.sheet },
    ...{ path: 'level', kind: 'answer' as const, value, unit, seen, by: COLLEAGUE },
    ...{ device: COLLEAGUE, at: '2031-04-05T08:00:00Z', prev: null },
  });

  /** On a machine under load a pause is no pause: whoever types here goes on typing. */
  function typeOn(): void {
    const wait = globalThis.setTimeout;
    jest
      .spyOn(globalThis, 'setTimeout')
      .mockImplementation((act: () => void, ms?: number) => wait(act, ms === 1_200 ? 60_000 : ms));
  }
  afterEach(() => jest.restoreAllMocks());

  test('is told with their name', async () => {
    const { store, session } = await showSheet(sheet(LEVEL));
    const body = theirs(session, 20, 'mm', []);
    await store.entries.add({ id: body.id, sheet: session.sheet, body, receivedAt: null });
    await within(region('Level')).findByText(/^Answered by Bo/);
    expect(textbox('Level').value).toBe('20');
  });

  test('is not overwritten by words that were begun before it came', async () => {
    const { store, session, at, settled } = await showSheet(sheet(questionOf('text')));
    typeOn();
    await user.type(textbox('Asked'), 'mi');
    const body = { ...theirs(session, 0, '1', []), path: 'asked', value: 'theirs' };
    await store.entries.add({ id: body.id, sheet: session.sheet, body, receivedAt: null });
    await waitFor(() => expect(at('asked')?.answer?.value).toBe('theirs'));
    await user.type(textbox('Asked'), 'ne{Tab}');
    await settled();
    expect(
      at('asked')
        ?.disagreement.map(({ value }) => value)
        .sort(),
    ).toEqual(['mine', 'theirs']);
  });

  test('changes neither number nor unit of what is being typed, and both answers are shown', async () => {
    const { store, session, at, settled } = await showSheet(sheet(LEVEL));
    typeOn();
    await user.type(textbox('Level'), '4');
    const body = theirs(session, 2, 'cm', []);
    await store.entries.add({ id: body.id, sheet: session.sheet, body, receivedAt: null });
    await waitFor(() => expect(at('level')?.answer?.value).toBe(2));
    expect(textbox('Level').value).toBe('4');
    expect(within(region('Level')).getByText('mm')).toBeTruthy();
    await user.type(textbox('Level'), '1{Tab}');
    await settled();
    const said = at('level')?.disagreement.map(({ value, unit }) => `${Number(value)} ${unit}`);
    expect(said?.sort()).toEqual(['2 cm', '41 mm']);
    const words = within(region('Level')).getByRole('alert').textContent;
    expect(words).toMatch(/Bo 2 cm/);
    expect(words).toMatch(/you 41 mm/);
    // Looked at again and answered once more, it is settled.
    await user.clear(textbox('Level'));
    await user.type(textbox('Level'), '42{Tab}');
    await settled();
    expect(at('level')?.disagreement).toEqual([]);
    expect(at('level')?.answer?.value).toBe(42);
  });
});

describe('a hold point', () => {
  const work = async () => {
    const shown = await showSheet(sheet(number(), questionOf('hold')));
    await act(async () => {
      await shown.session.write('level', 'answer', 20, { unit: 'mm' });
    });
    return shown;
  };

  test('is passed by a code from a colleague’s own phone, and tells a wrong sign at once', async () => {
    const { session, at } = await work();
    const hold = region('Asked');
    // Who works here is read from the phone; until then there is nobody to choose.
    await within(hold).findByRole('option', { name: 'Bo' });
    fireEvent.change(within(hold).getByLabelText('Who passes it'), {
      target: { value: COLLEAGUE },
    });
    const asked = askedCode({ sheet: session.sheet, path: 'asked', person: COLLEAGUE, seen: [] });
    expect(within(hold).getByText(spaced(asked))).toBeTruthy();
    const given = givenCode('5b'.repeat(32), asked, 'passed') ?? '';
    const field = within(hold).getByRole('textbox', { name: 'The code their phone gives back' });
    await user.type(field, given.slice(0, -1) + (given.endsWith('0') ? '1' : '0'));
    expect(within(hold).getByText(/A sign of the code is wrong/)).toBeTruthy();
    await user.clear(field);
    await user.type(field, given.toLowerCase());
    await user.click(within(hold).getByRole('button', { name: 'Passed by Bo' }));
    expect(at('asked')?.answer?.value).toMatchObject({ person: COLLEAGUE, proof: given });
    expect(at('asked')?.looseEnds).toEqual([]);
  });

  test('is not passed by who did the work, nor by a signature in a colleague’s name', async () => {
    const { session, at } = await work();
    const pass = (person: string, name: string) =>
      act(async () => {
        await session.write('asked', 'answer', { verdict: 'passed', name, person, strokes: [] });
      });
    await pass(session.context.visit.person ?? '', 'Imke');
    expect(within(region('Asked')).getByRole('alert').textContent).toMatch(
      /somebody who did not do the work/,
    );
    await pass(COLLEAGUE, 'Bo');
    expect(within(region('Asked')).getByText(/does not count yet/)).toBeTruthy();
    expect(at('asked')?.looseEnds.map(({ missing }) => missing)).toEqual(['proof']);
  });
});

describe('a page closed before the phone has kept what was said last', () => {
  test('has it in hand: the next one keeps it, once, in the chain', async () => {
    const { store, session, entries } = await showSheet(
      sheet({ kind: 'yesNo', key: 'sound', label: 'Sound?', required: true }, questionOf('text')),
    );
    await user.click(screen.getByRole('radio', { name: 'Yes' }));
    const closing = jest
      .spyOn(store, 'transaction')
      .mockReturnValue(new Promise(() => undefined) as never);
    await user.type(textbox('Asked'), 'Typed just now');
    act(() => void window.dispatchEvent(new Event('pagehide')));
    cleanup();
    session.close();
    closing.mockRestore();
    const next = await openSession(store, session.sheet, ME, () => undefined);
    await openSession(store, session.sheet, ME, () => undefined);
    expect(questionAtPath(next!.state.getState(), 'asked')?.answer?.value).toBe('Typed just now');
    expect(questionAtPath(next!.state.getState(), 'sound')?.answer?.value).toBe('yes');
    expect(await entries()).toHaveLength(2);
    expect(chainBreaks(await entries())).toEqual([]);
    expect(await store.outbox.count()).toBe(2);
    expect(Object.keys(localStorage).filter((key) => key.includes('in-hand'))).toEqual([]);
  });

  test('keeps what was said of a photo, and does not bring back one that was removed', async () => {
    const { session, at, settled } = await showSheet(sheet(questionOf('photo')));
    await act(async () => {
      await session.write(photoPath('asked', '1'), 'answer', CASES.photo.good);
    });
    const open = async (): Promise<HTMLElement> => {
      await user.click(screen.getByRole('button', { name: /^Photo: / }));
      return screen.getByRole('dialog', { name: 'Photo' });
    };
    const comment = within(await open()).getByLabelText('Comment');
    await user.clear(comment);
    await user.type(comment, 'worn');
    act(() => void window.dispatchEvent(new Event('pagehide')));
    await settled();
    expect(at('asked')?.photos[0]?.value.comment).toBe('worn');
    await user.type(comment, ' through');
    await user.click(screen.getByRole('button', { name: 'Remove' }));
    await settled();
    expect(at('asked')?.photos).toEqual([]);
  });

  test('a photo that is removed before it was sent does not go out, unless it is used elsewhere', async () => {
    const { store, session, at, settled } = await showSheet(
      sheet(questionOf('photo'), { kind: 'photo', key: 'too', label: 'Too', required: false }),
    );
    const kept = CASES.photo.good as PhotoValue;
    const keep = () =>
      store.photos.put({
        ...{ sha256: kept.sha256, bytes: new Blob(['x']), type: kept.type, sheet: session.sheet },
        ...{ takenAt: kept.takenAt, receivedAt: null, refused: null, uploadUrl: null },
      });
    const add = (key: string) =>
      act(async () => void (await session.write(photoPath(key, '1'), 'answer', kept)));
    const remove = (key: string) => act(() => session.removePhoto(at(key)!.photos[0]!));
    await keep();
    await add('asked');
    await add('too');
    await remove('asked');
    expect(await store.photos.count()).toBe(1);
    await remove('too');
    await settled();
    expect(at('too')?.photos).toEqual([]);
    expect(await store.photos.count()).toBe(0);
  });

  test('leaves alone what is no entry, and keeps the rest', async () => {
    localStorage.setItem(`ant-trail-${ME}.in-hand.0`, '{"half":');
    const { session, settled, entries } = await showSheet(sheet(questionOf('text')));
    await act(async () => {
      await session.write('asked', 'answer', 'words');
    });
    await settled();
    expect(await entries()).toHaveLength(1);
    localStorage.clear();
  });
});

describe('a phone that cannot keep anything more', () => {
  test('takes back what was said, with words, and leaves what was typed in the field', async () => {
    const { store, session, at, settled, entries } = await showSheet(
      sheet({ kind: 'yesNo', key: 'sound', label: 'Sound?', required: true }, questionOf('text')),
    );
    await user.click(screen.getByRole('radio', { name: 'Yes' }));
    await settled();
    const full = jest
      .spyOn(store.entries, 'bulkAdd')
      .mockRejectedValue(new DOMException('full', 'QuotaExceededError'));
    await user.click(screen.getByRole('radio', { name: 'No' }));
    await user.type(textbox('Asked'), 'A long story{Tab}');
    await settled();
    expect(at('sound')?.answer?.value).toBe('yes');
    expect(at('asked')?.answer).toBeNull();
    expect(session.trouble.getState().words).toMatch(/could not keep .* storage may be full/);
    expect(textbox('Asked').value).toBe('A long story');
    expect(await entries()).toHaveLength(1);
    full.mockRestore();
    await user.type(textbox('Asked'), '!{Tab}');
    await settled();
    expect(at('asked')?.answer?.value).toBe('A long story!');
    expect(session.trouble.getState().words).toBeNull();
    expect(chainBreaks(await entries())).toEqual([]);
  });
});
