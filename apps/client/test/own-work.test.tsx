import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { storeFor } from '@/device/local-store.ts';
import { LeaveDialog } from '@/features/planning/field/leave-dialog.tsx';
import { SheetList } from '@/features/planning/field/sheet-list.tsx';
import { loadStop, loadTrail, type TrailStop } from '@/features/planning/field/trail.ts';
import { addSheet, handOver } from '@/features/planning/field/own-work.ts';
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
  const store = storeFor(ME);
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
  await screen.findByRole('option', { name: 'Bo' });
  await user.selectOptions(screen.getByLabelText('To whom?'), COLLEAGUE);
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
