import type { Operation } from '@ant-trail/contract/sync';
import { addDays } from '@ant-trail/core/calendar';
import type { TemplateBody } from '@ant-trail/core/sheet';
import { act, cleanup, configure, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactNode } from 'react';
import { storeFor, type LocalStore } from '@/device/local-store.ts';
import { useSettings } from '@/device/settings.ts';
import { ON_PHONE } from '@/faces/on-phone.ts';
import { SelfScreen } from '@/faces/self-screen.tsx';
import { SheetScreen } from '@/features/capture/field/sheet-screen.tsx';
import { TrailScreen } from '@/features/planning/field/trail-screen.tsx';
import { VisitScreen } from '@/features/planning/field/visit-screen.tsx';
import { FieldNotices } from '@/features/sync/field/field-notices.tsx';
import { useSync } from '@/features/sync/engine.ts';
import { KeptScreen } from '@/features/sync/field/kept-screen.tsx';
import { entryFrom, keepEntries } from '@/features/sync/outbox.ts';
import { handsRest } from './support/hands-rest.ts';
import { Field, fill, ME, SHEET, signIn, SITE, VISIT } from './support/sheet.tsx';

const mockRoute = { went: [] as string[], id: '' };
jest.mock('expo-router', () => {
  const go = (to: string): void => void mockRoute.went.push(to);
  const router = { navigate: go, replace: go };
  return {
    useRouter: () => router,
    useLocalSearchParams: () => ({ id: mockRoute.id }),
    usePathname: () => '/trail',
  };
});

const BODY: TemplateBody = {
  title: 'Round',
  sections: [
    {
      id: 'drive',
      title: 'Drive',
      questions: [
        { kind: 'yesNo', key: 'sound', label: 'Sounds right?', required: true },
        {
          kind: 'text',
          key: 'where',
          label: 'Where from?',
          required: true,
          visibleWhen: 'sound == "no"',
        },
      ],
    },
    {
      id: 'brakes',
      title: 'Brakes',
      questions: [{ kind: 'yesNo', key: 'free', label: 'Brake free?', required: true }],
    },
  ],
};

const TODAY = new Date().toISOString().slice(0, 10);
const YESTERDAY = addDays(TODAY, -1);

const user = userEvent.setup();
configure({ asyncUtilTimeout: 10_000, defaultHidden: true });
let store: LocalStore;
const show = async (
  what: ReactNode,
  kept: (store: LocalStore) => Promise<unknown> = () => Promise.resolve(),
): Promise<void> => {
  await fill(store, BODY);
  await store.visits.update(VISIT, { day: TODAY });
  await kept(store);
  render(<Field>{what}</Field>);
};
const standAt = (lat: number, lon: number): void => {
  const coords = { latitude: lat, longitude: lon, accuracy: 8 };
  Object.defineProperty(navigator, 'geolocation', {
    configurable: true,
    value: { getCurrentPosition: (found: (fix: object) => void) => found({ coords }) },
  });
};
/** As a person would: not before the button takes a press. */
const ready = async (button: HTMLElement): Promise<HTMLElement> => {
  await waitFor(() => expect(button.getAttribute('aria-disabled')).not.toBe('true'));
  return button;
};
const press = async (name: string | RegExp): Promise<void> =>
  user.click(await ready(await screen.findByRole('button', { name })));
const queued = async (): Promise<Operation[]> =>
  (await store.outbox.orderBy('order').toArray()).map(({ operation }) => operation);

beforeEach(() => {
  signIn();
  store = storeFor(ME, ON_PHONE);
  mockRoute.went = [];
});
afterEach(cleanup);

describe('the trail', () => {
  test('leads from setting off to the sheet, each step kept with its time', async () => {
    standAt(38, -41);
    await show(<TrailScreen />);
    await press('Set off');
    await press('I have arrived');
    // There is one sheet: being there is beginning it.
    await screen.findByRole('button', { name: 'Start the sheet' });
    expect(mockRoute.went).toEqual([`/sheet/${SHEET}`]);
    const steps = (await queued()).map(({ body }) => body);
    expect(steps).toMatchObject([
      { kind: 'set off', fix: null, distance: null },
      { kind: 'arrived', fix: { lat: 38, lon: -41, accuracy: 8 }, distance: 0 },
    ]);
    expect((await store.visits.get(VISIT))?.events).toEqual(steps);
  });

  test('asks for a word from somebody far away, and blocks nobody', async () => {
    standAt(38.1, -41);
    await show(<TrailScreen />);
    await press('Set off');
    await press('I have arrived');
    const dialog = await screen.findByRole('dialog', { name: 'You seem to be elsewhere' });
    await user.click(within(dialog).getByRole('button', { name: 'I have arrived' }));
    expect(await queued()).toHaveLength(1);
    await user.type(within(dialog).getByLabelText('Why from here?'), 'parked below');
    await user.click(await ready(within(dialog).getByRole('button', { name: 'I have arrived' })));
    await screen.findByRole('button', { name: 'Start the sheet' });
    expect((await queued())[1]?.body).toMatchObject({ kind: 'arrived', reason: 'parked below' });
  });

  test('goes on without a position', async () => {
    Object.defineProperty(navigator, 'geolocation', {
      configurable: true,
      value: { getCurrentPosition: (_: unknown, refused: () => void) => refused() },
    });
    await show(<TrailScreen />);
    await press('Set off');
    await press('I have arrived');
    await screen.findByRole('button', { name: 'Start the sheet' });
    expect((await queued())[1]?.body).toMatchObject({ fix: null, distance: null });
  });

  test('shows what is left over from earlier days, and not what is settled', async () => {
    await show(<TrailScreen />, async () => {
      const job = (await store.jobs.toArray())[0]!;
      const visit = (await store.visits.toArray())[0]!;
      for (const [n, state] of (['approved', 'under way'] as const).entries()) {
        const id = `44444444-4444-4444-8444-00000000000${n}`;
        const sheet = { ...job.sheet, id, job: id };
        await store.sites.put({ ...(await store.sites.get(SITE))!, id, name: `Hut ${state}` });
        const sheets = job.sheets.map((each) => ({ ...each, id }));
        await store.jobs.put({ ...job, id, site: id, state, sheet, sheets });
        await store.visits.put({ ...visit, id, job: id, day: YESTERDAY });
      }
    });
    await screen.findByText('Hut under way');
    expect(screen.queryByText('Hut approved')).toBeNull();
    expect(screen.getByText('Cormorant kiosk')).toBeTruthy();
  });

  test('says early, on every screen, that space runs low', async () => {
    await show(
      <>
        <FieldNotices />
        <TrailScreen />
      </>,
    );
    await screen.findByText('Cormorant kiosk');
    expect(screen.queryByText(/Space on this phone/)).toBeNull();
    act(() => useSync.setState({ spaceIsLow: true }));
    expect(screen.getByRole('alert').textContent).toMatch(/Space on this phone is running low/);
    act(() => useSync.setState({ spaceIsLow: false }));
  });
});

describe('a visit or a sheet that is not on the phone', () => {
  test.each([
    ['visit', <VisitScreen key="visit" />, 'This visit is not on your phone'],
    ['sheet', <SheetScreen key="sheet" />, 'This sheet is not on your phone'],
  ])('a %s says so', async (_what, screenShown, words) => {
    mockRoute.id = '99999999-9999-4999-8999-999999999999';
    await show(screenShown);
    await screen.findByText(words);
    expect(screen.getByText('It may have been given to somebody else.')).toBeTruthy();
  });
});

describe('a place', () => {
  test('has what others left for whoever comes next, and takes a note with no network', async () => {
    mockRoute.id = VISIT;
    const note = { id: '01', site: SITE, by: ME, at: `${TODAY}T06:00:00.000Z` };
    await show(<VisitScreen />, () =>
      store.siteNotes.bulkPut([
        { ...note, text: 'The gate sticks.', withdrawn: false },
        { ...note, id: '02', text: 'No key.', withdrawn: true },
      ]),
    );
    await screen.findByText('The gate sticks.');
    expect(screen.queryByText('No key.')).toBeNull();
    await press('Leave a note');
    await press('Leave it there');
    await user.type(screen.getByLabelText('What should the next one know?'), 'Ring twice. ');
    await user.dblClick(screen.getByRole('button', { name: 'Leave it there' }));
    await screen.findByText('Ring twice.');
    expect(await queued()).toMatchObject([
      { kind: 'site note', body: { site: SITE, text: 'Ring twice.', by: ME } },
    ]);
  });
});

describe('a sheet', () => {
  beforeEach(() => {
    mockRoute.id = SHEET;
  });
  const answer = async (question: string, words: string): Promise<void> =>
    user.click(
      within(await screen.findByRole('region', { name: question })).getByRole('radio', {
        name: words,
      }),
    );

  test('leads through its loose ends to the read-through, and is finished once', async () => {
    act(() => useSettings.getState().change({ goingOn: 'by hand' }));
    await show(<SheetScreen />);
    await screen.findByText('2 loose ends in all');
    await answer('Sounds right?', 'No');
    await screen.findByRole('region', { name: 'Where from?' });
    await screen.findByText('2 loose ends in all');
    await answer('Sounds right?', 'Yes');
    await waitFor(() => expect(screen.queryByRole('region', { name: 'Where from?' })).toBeNull());
    await screen.findByText('1 loose end in all');
    await press(/^Next loose end/);
    const brake = await screen.findByRole('region', { name: 'Brake free?' });
    expect(brake.contains(document.activeElement)).toBe(true);
    await answer('Brake free?', 'Yes');
    await press('Finish');
    const reading = await screen.findByRole('dialog', { name: 'Read it through once' });
    expect(within(reading).getByText('No findings. Once finished, the office reads it.'));
    await user.click(within(reading).getByRole('button', { name: /^Sounds right/ }));
    expect(screen.queryByRole('dialog')).toBeNull();
    await screen.findByRole('region', { name: 'Sounds right?' });
    await handsRest();
    await press('Finish');
    await press('Finish the sheet');
    await waitFor(() => expect(mockRoute.went).toEqual(['/trail']));
    const kinds = (await queued()).map(({ body }) => ('kind' in body ? body.kind : ''));
    expect(kinds).toEqual(['answer', 'answer', 'answer', 'finish', 'left']);
    await screen.findByText('Finished. The office reads it next.');
    expect(screen.queryByRole('button', { name: 'Finish' })).toBeNull();
  });
});

describe('what the office refused', () => {
  const refuse = async (): Promise<void> => {
    const body = {
      id: '017f22e2-79b0-7cc3-98c4-dc0c0c07398f',
      visit: VISIT,
      kind: 'arrived' as const,
      by: ME,
      at: '2031-04-05T08:00:00Z',
      fix: null,
      distance: null,
    };
    await store.visits.update(VISIT, { events: [body] });
    await store.outbox.add({
      id: body.id,
      operation: { kind: 'visit event', body },
      queuedAt: body.at,
      refused: 'This visit is somebody else’s.',
    });
  };

  test('stays with its reason, is sent again, and is let go only once it is in a file', async () => {
    Object.assign(URL, { createObjectURL: () => 'blob:x', revokeObjectURL: () => undefined });
    HTMLAnchorElement.prototype.click = () => undefined;
    await show(<KeptScreen />, refuse);
    await screen.findByText('This visit is somebody else’s.');
    expect(screen.queryByRole('button', { name: 'Take it off this phone' })).toBeNull();
    await press('Save to a file');
    await press('Take it off this phone');
    await screen.findByText('The office has everything');
    expect(await queued()).toEqual([]);
    expect((await store.visits.get(VISIT))?.events).toEqual([]);
  });

  test('sent again, it waits with all else of its visit', async () => {
    await show(<KeptScreen />, async () => {
      await refuse();
      const [first] = await store.outbox.toArray();
      await store.outbox.update(first!.order, { refused: null });
      await keepEntries(store, [
        entryFrom({ sheet: SHEET, path: 'sound', kind: 'answer', value: 'yes', seen: [], by: ME }),
      ]);
    });
    await screen.findByText(/^2 entries kept here since/);
    expect(screen.getAllByText('Cormorant kiosk')).toHaveLength(1);
  });

  test('damaged on the phone it is named, and hides nothing beside it', async () => {
    await show(<KeptScreen />, async () => {
      await refuse();
      await store.outbox.bulkAdd([
        { id: 'a', operation: { kind: 'visit event' } as never, queuedAt: '', refused: 'Damaged.' },
        { id: 'b', operation: null as never, queuedAt: '', refused: null },
      ]);
    });
    await screen.findByText('This visit is somebody else’s.');
    await waitFor(() =>
      expect(screen.getAllByText(/^Something that can’t be read any more/)).toHaveLength(2),
    );
  });

  test('keeps the person from signing out, with a way on', async () => {
    await show(<SelfScreen />, refuse);
    await press('Sign out');
    const words = await screen.findByRole('alert');
    expect(words.textContent).toBe(
      '1 thing is still kept only here. Go to “Sending”, send it, then sign out.',
    );
    expect(mockRoute.went).toEqual([]);
  });
});
