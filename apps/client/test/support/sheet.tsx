import type { Entry } from '@ant-trail/core/log';
import { questionAtPath, type QuestionState, type TemplateBody } from '@ant-trail/core/sheet';
import { TamaguiProvider } from '@tamagui/core';
import { act, render, screen } from '@testing-library/react';
import type { ReactNode } from 'react';
import { config } from '@/design/tamagui.config.ts';
import { storeFor, type LocalStore } from '@/device/local-store.ts';
import { ON_PHONE } from '@/faces/on-phone.ts';
import { useSession } from '@/features/accounts/session.ts';
import { QuestionBlock } from '@/features/capture/field/question-block.tsx';
import { SheetSessionContext, useSheetState } from '@/features/capture/session/sheet-context.tsx';
import { openSession, type SheetSession } from '@/features/capture/session/sheet-session.ts';
import { PhoneProvider } from '@/features/sync/phone.tsx';

export const ME = '22222222-2222-4222-8222-222222222222';
export const COLLEAGUE = '22222222-2222-4222-8222-222222222223';
export const SHEET = '33333333-3333-4333-8333-333333333333';
export const VISIT = '88888888-8888-4888-8888-888888888888';
export const JOB = '44444444-4444-4444-8444-444444444444';
export const SITE = '55555555-5555-4555-8555-555555555555';
export const TEMPLATE = '77777777-7777-4777-8777-777777777777';

let versions = 0;

/** What a phone has of one job, with earlier readings by question. */
export async function fill(
  store: LocalStore,
  body: TemplateBody,
  earlier: Readonly<Record<string, readonly number[]>> = {},
): Promise<void> {
  await Promise.all(store.tables.map((table) => table.clear()));
  // A version never changes, so each sheet shown here is of one of its own.
  const version = `66666666-6666-4666-8666-${String(++versions).padStart(12, '0')}`;
  await store.templates.put({
    id: version,
    template: TEMPLATE,
    number: 1,
    publishedAt: '2031-01-01T00:00:00Z',
    body,
  });
  await store.sites.put({
    id: SITE,
    name: 'Cormorant kiosk',
    client: '',
    address: 'Quay',
    lat: 38,
    lon: -41,
    access: '',
    hazards: [],
    retired: false,
    found: null,
    number: '',
    contacts: [],
  });
  await store.jobs.put({
    id: JOB,
    site: SITE,
    template: TEMPLATE,
    title: 'Round',
    instructions: '',
    day: '2031-04-05',
    windowFrom: null,
    windowTo: null,
    recipients: [],
    state: 'planned',
    sheet: { id: SHEET, job: JOB, version },
    sheets: [
      {
        ...{ id: SHEET, version, template: TEMPLATE, title: body.title, asset: null },
        ...{ person: null, expected: true, leftOut: null },
      },
    ],
    expectedSheets: null,
    reader: null,
    round: null,
    follows: null,
    signing: null,
    takes: [],
  });
  await store.visits.put({
    id: VISIT,
    job: JOB,
    person: ME,
    day: '2031-04-05',
    start: 480,
    minutes: 30,
    part: 'leads',
    insteadOf: null,
    events: [],
  });
  await store.people.bulkPut([
    { id: ME, name: 'Imke', retired: false },
    { id: COLLEAGUE, name: 'Bo', retired: false },
  ]);
  for (const [key, values] of Object.entries(earlier))
    await store.series.put({
      id: key,
      site: SITE,
      template: TEMPLATE,
      key,
      points: values.map((value, index) => ({
        at: new Date(Date.UTC(2031, 2, index + 1)).toISOString(),
        value,
      })),
    });
}

/** Imke is signed in on a phone with no network. */
export function signIn(): void {
  globalThis.fetch = () => Promise.reject(new TypeError('no network'));
  useSession.setState({
    me: {
      person: {
        id: ME,
        name: 'Imke',
        email: 'imke@tarnhollow.example',
        phone: '',
        roles: ['technician'],
        trade: 'cableways',
        credentials: [],
        retired: false,
        joined: true,
        ...{ skills: [], hours: [], absences: [], startsAt: null, vehicle: null, branches: [SITE] },
      },
      organisation: { id: TEMPLATE, name: 'Tarnhollow', timeZone: 'UTC' },
      branch: { id: SITE, name: 'Harbour' },
      branches: [{ id: SITE, name: 'Harbour' }],
      signedInUntil: '2031-04-06T00:00:00Z',
      settings: {},
      passKey: '3d'.repeat(32),
    },
  });
}

/** The field face around what is shown in it. */
export const Field = ({ children }: { children: ReactNode }) => (
  <TamaguiProvider config={config} defaultTheme="light" disableInjectCSS>
    <PhoneProvider parts={ON_PHONE}>{children}</PhoneProvider>
  </TamaguiProvider>
);

function Blocks({ locked }: { locked: boolean }) {
  const state = useSheetState();
  return (
    <>
      {state.sections.flatMap((section) =>
        section.questions.map((question) => (
          <QuestionBlock key={question.path} state={question} locked={locked} />
        )),
      )}
    </>
  );
}

export interface OpenedSheet {
  readonly session: SheetSession;
  readonly store: LocalStore;
  readonly at: (path: string) => QuestionState | null;
  /** Waits until everything that was done on the screen is kept. */
  readonly settled: () => Promise<void>;
  readonly entries: () => Promise<Entry[]>;
}

/** Shows a sheet as a phone with no network does. */
export async function showSheet(
  body: TemplateBody,
  {
    locked = false,
    earlier = {},
    kept = () => Promise.resolve(),
  }: {
    locked?: boolean;
    earlier?: Readonly<Record<string, readonly number[]>>;
    /** What else the phone has by then. */
    kept?: (store: LocalStore) => Promise<unknown>;
  } = {},
): Promise<OpenedSheet> {
  signIn();
  const store = storeFor(ME, ON_PHONE);
  await fill(store, body, earlier);
  await kept(store);
  const session = await openSession(store, SHEET, ME, () => undefined);
  if (!session) throw new Error('the sheet does not open');
  render(
    <Field>
      <SheetSessionContext.Provider value={session}>
        <Blocks locked={locked} />
      </SheetSessionContext.Provider>
    </Field>,
  );
  return {
    session,
    store,
    at: (path) => questionAtPath(session.state.getState(), path),
    settled: () =>
      act(async () => {
        await session.writeAll([]);
        await new Promise((resolve) => setTimeout(resolve, 20));
      }),
    entries: async () => (await store.entries.toArray()).map((kept) => kept.body),
  };
}

export const region = (name: string): HTMLElement => screen.getByRole('region', { name });
