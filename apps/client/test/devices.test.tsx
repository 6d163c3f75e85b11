import type { RowState } from '@ant-trail/core/sheet';
import { tagNumber } from '@ant-trail/core/tags';
import { act, cleanup, fireEvent, screen, within } from '@testing-library/react';
import { ALARM } from '../../../packages/demo/src/trades/alarm/panel.ts';
import { byZone, isAmiss, isLeft, passing } from '@/features/trades/alarm/passing.ts';
import { handsRest } from './support/hands-rest.ts';
import { showSheet, type OpenedSheet } from './support/sheet.tsx';

afterEach(cleanup);

/** Three devices in two zones, of which one was tried and did not answer. */
async function withDevices(): Promise<OpenedSheet> {
  const sheet = await showSheet(ALARM.body);
  await act(async () => {
    const refused = await sheet.session.writeAll(
      (
        [
          ['devices/d1', { order: 1, name: 'Lamp room 1' }],
          ['devices/d1/zone', 'East'],
          ['devices/d1/device_kind', 'smoke'],
          ['devices/d2', { order: 2, name: 'Stair 2' }],
          ['devices/d2/zone', 'West'],
          ['devices/d2/device_kind', 'call'],
          ['devices/d2/tried', 'not'],
          ['devices/d3', { order: 3, name: 'Lamp room 3' }],
          ['devices/d3/zone', 'East'],
          ['devices/d3/device_kind', 'heat'],
        ] as const
      ).map(([path, value]) => ({ path, value, kind: 'answer' as const })),
    );
    expect(refused).toBeNull();
  });
  await sheet.settled();
  await screen.findByLabelText('Devices at a glance');
  return sheet;
}

const rowsOf = (sheet: OpenedSheet): readonly RowState[] => sheet.at('devices')?.rows ?? [];
const list = () => within(screen.getByLabelText('Devices at a glance'));

test('devices stand zone by zone; what is left, amiss, and what passing means is known of each', async () => {
  const rows = rowsOf(await withDevices());
  expect(byZone(rows).map(([zone, each]) => [zone, each.map(({ name }) => name)])).toEqual([
    ['East', ['Lamp room 1', 'Lamp room 3']],
    ['West', ['Stair 2']],
  ]);
  expect(rows.map(isLeft)).toEqual([true, false, true]);
  expect(rows.map(isAmiss)).toEqual([false, true, false]);
  // A smoke detector is clean as well, a heat detector is not asked.
  expect(rows.map((row) => passing(row).map(({ path }) => path))).toEqual([
    ['devices/d1/tried', 'devices/d1/clean'],
    [],
    ['devices/d3/tried'],
  ]);
});

test('all that are shown pass in one go, and it is taken back in one', async () => {
  const sheet = await withDevices();
  expect(list().queryByText('Stair 2')).toBeNull();
  fireEvent.click(screen.getByText('All 2 passed'));
  await sheet.settled();
  expect(sheet.at('devices/d1/clean')?.answer?.value).toBe('yes');
  expect(sheet.at('devices/d3/tried')?.answer?.value).toBe('done');
  expect(sheet.at('devices/d2/tried')?.answer?.value).toBe('not');
  expect(list().queryByText('Lamp room 1')).toBeNull();
  await act(handsRest);
  // What was said otherwise since stays as it is.
  await act(async () => void (await sheet.session.write('devices/d3/tried', 'answer', 'not')));
  fireEvent.click(screen.getByText('Take it back'));
  await sheet.settled();
  expect(sheet.at('devices/d3/tried')?.answer?.value).toBe('not');
  expect(sheet.at('devices/d1/tried')?.answer).toBeNull();
  expect(list().getByText('Lamp room 1')).toBeTruthy();
});

test('one passes by a press, others are found by a word, what needs eyes is a press away', async () => {
  const sheet = await withDevices();
  fireEvent.click(screen.getByLabelText('Passed: Lamp room 3'));
  await sheet.settled();
  expect(sheet.at('devices/d3/tried')?.answer?.value).toBe('done');
  fireEvent.click(screen.getByText('Needs eyes'));
  expect(list().getByText('Stair 2')).toBeTruthy();
  fireEvent.click(screen.getByText('All'));
  fireEvent.change(screen.getByLabelText('Name or zone'), { target: { value: 'west' } });
  expect(await screen.findByText('1 device shown, 1 of 3 not tried')).toBeTruthy();
  fireEvent.click(list().getByText('Stair 2'));
  expect(screen.getByLabelText('Stair 2')).toBeTruthy();
});

test('where a system is visited in parts, those of today stand first, with when each was tried last', async () => {
  const sheet = await withDevices();
  await act(async () => {
    const refused = await sheet.session.writeAll([
      { path: 'inspected', kind: 'answer', value: '2031-04-05' },
      { path: 'visits', kind: 'answer', value: 'quarter' },
      { path: 'devices/d1/tried_on', kind: 'answer', value: '2031-01-10' },
      { path: 'devices/d2/tried_on', kind: 'answer', value: '2031-02-10' },
      { path: 'devices/d3/tried_on', kind: 'answer', value: '2030-10-10' },
    ]);
    expect(refused).toBeNull();
  });
  await sheet.settled();
  expect(await screen.findByText('1 device shown, 1 of 1 due today not tried')).toBeTruthy();
  expect(list().getByText('Heat detector, last 10 Oct 2030')).toBeTruthy();
  expect(list().queryByText('Lamp room 1')).toBeNull();
  fireEvent.click(screen.getByText('Not tried'));
  expect(list().getByText('Lamp room 1')).toBeTruthy();
});

test('one clock from the alarm on says how long each signal took', async () => {
  const sheet = await showSheet(ALARM.body);
  await screen.findByLabelText('Signals');
  fireEvent.click(screen.getByText('The alarm goes off now'));
  expect(await screen.findByText('0 s since the alarm')).toBeTruthy();
  await act(handsRest);
  fireEvent.click(screen.getByLabelText('Horns: it is there now'));
  await sheet.settled();
  expect(sheet.at('signals/s1/followed')?.answer?.value).toBe('done');
  const took = sheet.at('signals/s1/took')?.answer?.value;
  expect(typeof took === 'number' && took >= 0 && took < 60).toBe(true);
  expect(sheet.at('signals/s2/followed')?.answer).toBeNull();
  fireEvent.click(screen.getByText('Stop the clock'));
  expect(screen.getByText('The alarm goes off now')).toBeTruthy();
});

test('the label on a device leads to it, passed by a press, and on to the next', async () => {
  const sheet = await withDevices();
  await sheet.store.tags.bulkPut([
    { id: 'tag-1', number: tagNumber(1), asset: 'd1', boundAt: null },
    { id: 'tag-9', number: tagNumber(9), asset: null, boundAt: null },
  ]);
  const read = async (count: number): Promise<void> => {
    if (!screen.queryByText('Type its number')) fireEvent.click(screen.getByText('Scan a label'));
    await act(handsRest);
    fireEvent.click(await screen.findByText('Type its number'));
    fireEvent.change(screen.getByLabelText('Its number, eight digits'), {
      target: { value: tagNumber(count) },
    });
    fireEvent.click(screen.getByText('Take it'));
    await sheet.settled();
  };
  await read(9);
  expect(await screen.findByText(/is on nothing yet. Put it on its device/)).toBeTruthy();
  await act(handsRest);
  await read(1);
  expect(await screen.findByText('Passed, scan the next')).toBeTruthy();
  await act(handsRest);
  fireEvent.click(screen.getByText('Passed, scan the next'));
  await sheet.settled();
  expect(sheet.at('devices/d1/tried')?.answer?.value).toBe('done');
  expect(sheet.at('devices/d1/clean')?.answer?.value).toBe('yes');
  // What is still before the camera was dealt with: it does not open once more.
  await act(handsRest);
  await read(1);
  expect(screen.queryByText('Scan the next')).toBeNull();
});

test('the clock of an alarm is an answer of the sheet: it can be begun anew within the same minute', async () => {
  const sheet = await showSheet(ALARM.body);
  fireEvent.click(await screen.findByText('The alarm goes off now'));
  await sheet.settled();
  const first = sheet.at('alarm_at')?.answer?.entry;
  expect(first?.value).toMatch(/^\d{4}-\d\d-\d\dT\d\d:\d\d$/);
  expect(screen.getByRole('timer').textContent).toMatch(/^\d+ s since the alarm$/);
  await act(handsRest);
  fireEvent.click(screen.getByText('Stop the clock'));
  expect(screen.queryByRole('timer')).toBeNull();
  await act(handsRest);
  fireEvent.click(screen.getByText('The alarm goes off now'));
  await sheet.settled();
  expect(screen.getByRole('timer')).toBeTruthy();
  expect(sheet.at('alarm_at')?.answer?.entry.id).not.toBe(first?.id);
  fireEvent.click(screen.getByLabelText('Horns: it is there now'));
  await sheet.settled();
  expect(Number(sheet.at('signals/s1/took')?.answer?.value)).toBeLessThan(30);
});
