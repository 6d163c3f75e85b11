import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { storeFor } from '@/device/local-store.ts';
import { ON_PHONE } from '@/faces/on-phone.ts';
import { openSession } from '@/features/capture/session/sheet-session.ts';
import { LeaveDialog } from '@/features/planning/field/leave-dialog.tsx';
import { TurnBackDialog } from '@/features/planning/field/turn-back-dialog.tsx';
import { recordStep } from '@/features/planning/field/visit-steps.ts';
import { addSheet, handOver } from '@/features/planning/field/own-work.ts';
import { SheetList } from '@/features/planning/field/sheet-list.tsx';
import { loadStop, loadTrail, type TrailStop } from '@/features/planning/field/trail.ts';
import { COLLEAGUE, Field, JOB, ME, SHEET, showSheet, VISIT } from './support/sheet.tsx';

jest.mock('expo-router', () => ({ useRouter: () => ({ navigate: () => undefined }) }));

const user = userEvent.setup();
afterEach(cleanup);

/** Imke's stop with one sheet of a question, everything on a phone with no network. */
async function aStop() {
  const { session } = await showSheet({
    title: 'Lift round',
    sections: [
      {
        id: 's',
        title: 'S',
        questions: [{ kind: 'text', key: 'asked', label: 'Asked', required: true }],
      },
    ],
  });
  cleanup();
  session.close();
  const store = storeFor(ME, ON_PHONE);
  const stop = async (): Promise<TrailStop> => {
    const visit = await store.visits.get(VISIT);
    const found = visit && (await loadStop(store, visit));
    if (!found) throw new Error('the stop is not there');
    return found;
  };
  const version = (await store.templates.toArray())[0];
  if (!version) throw new Error('there is no template');
  const queued = async () => (await store.outbox.toArray()).map(({ operation }) => operation);
  return { store, stop, version, queued };
}

test('a double tap hands over once, and the visit leaves the trail', async () => {
  const { store, stop, queued } = await aStop();
  render(
    <Field>
      <SheetList stop={await stop()} />
    </Field>,
  );
  await user.click(screen.getByRole('button', { name: 'Hand over the visit' }));
  // What it is found with comes when it is asked for.
  await waitFor(() => expect(screen.getByRole('combobox', { name: 'To whom?' })).toBeTruthy());
  await user.click(screen.getByRole('combobox', { name: 'To whom?' }));
  await user.click(await screen.findByRole('option', { name: /^Bo/ }));
  await user.dblClick(screen.getByRole('button', { name: 'Hand it over' }));
  await waitFor(async () => expect(await queued()).toHaveLength(1));
  expect((await queued())[0]).toMatchObject({
    kind: 'handover',
    body: { visit: VISIT, sheet: null },
  });
  const { stops, leftOver } = await loadTrail(store, ME, '2031-04-05', '2031-04-05');
  expect([...stops, ...leftOver]).toEqual([]);
});

test('of two sheets one is handed over: the other stays, the colleague’s is not shown', async () => {
  const { store, stop, version } = await aStop();
  const added = await addSheet(store, ME, JOB, version, null);
  expect((await stop()).sheets.map(({ sheet }) => sheet.id)).toEqual([SHEET, added]);
  await handOver(store, ME, { job: JOB, visit: null, sheet: SHEET, to: COLLEAGUE, word: '' });
  expect((await stop()).sheets.map(({ sheet }) => sheet.id)).toEqual([added]);
});

test('leaving a job that is to have more sheets says how many there are', async () => {
  const { store, stop } = await aStop();
  await store.jobs.update(JOB, { expectedSheets: 3 });
  render(
    <Field>
      <LeaveDialog stop={await stop()} onClose={() => undefined} />
    </Field>,
  );
  expect(screen.getByText('3 sheets are expected at this job; there are 1.')).toBeTruthy();
  await user.dblClick(screen.getByRole('button', { name: 'Leave all the same' }));
  const left = async () =>
    (await store.visits.get(VISIT))?.events.filter(({ kind }) => kind === 'left');
  await waitFor(async () => expect(await left()).toHaveLength(1));
});

test('whoever turns back says why, once; the stop waits for the office, or for another try', async () => {
  const { store, stop } = await aStop();
  await recordStep(store, { visit: VISIT, by: ME, kind: 'arrived' });
  render(
    <Field>
      <TurnBackDialog stop={await stop()} onClose={() => undefined} />
    </Field>,
  );
  await user.click(screen.getByRole('button', { name: 'Turn back' }));
  expect(await screen.findByText(/Say why/)).toBeTruthy();
  await user.click(screen.getByRole('radio', { name: 'Locked' }));
  await user.type(screen.getByLabelText('More about it'), 'no key at the warden');
  await user.dblClick(screen.getByRole('button', { name: 'Turn back' }));
  const back = async () =>
    (await store.visits.get(VISIT))?.events.filter(({ kind }) => kind === 'turned back');
  await waitFor(async () => expect(await back()).toHaveLength(1));
  expect(await stop()).toMatchObject({
    ...{ turnedBackFor: 'Locked: no key at the warden', step: 'set off' },
  });
  await recordStep(store, { visit: VISIT, by: ME, kind: 'set off' });
  expect(await stop()).toMatchObject({ turnedBackFor: null, step: 'arrived' });
});

test('of two visits at a job a sheet is filled in at the one that did not turn back', async () => {
  const { store } = await aStop();
  const visit = await store.visits.get(VISIT);
  if (!visit) throw new Error('there is no visit');
  await recordStep(store, { visit: VISIT, by: ME, kind: 'turned back', reason: 'Locked' });
  // Whatever order the store gives them in.
  const again = { ...visit, id: `f${VISIT.slice(1)}`, day: '2031-04-09', insteadOf: VISIT };
  await store.visits.put(again);
  const session = await openSession(store, SHEET, ME, () => undefined);
  expect(session?.context.visit.id).toBe(again.id);
  session?.close();
});
