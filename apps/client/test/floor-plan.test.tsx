import type { AnswerValue, Entry } from '@ant-trail/core/log';
import {
  fold,
  planSheet,
  prepareFor,
  problemWithEntry,
  type SheetState,
} from '@ant-trail/core/sheet';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { ALARM } from '../../../packages/demo/src/trades/alarm/panel.ts';
import BatteryYears from '@/features/trades/alarm/battery-years.tsx';
import FloorPlan from '@/features/trades/alarm/floor-plan.tsx';
import type { KitPartProps, Past, Said } from '@/features/trades/part.ts';
import { Field, signIn } from './support/sheet.tsx';

afterEach(cleanup);

const PLAN: AnswerValue = { height: 0.5, shapes: [] };

async function stand(said: Readonly<Record<string, AnswerValue>>): Promise<SheetState> {
  await prepareFor(ALARM.body);
  return fold(
    planSheet(ALARM.body),
    Object.entries(said).map(([path, value], index) => answerAt(index, path, value)),
  );
}

const answerAt = (index: number, path: string, value: AnswerValue | null): Entry => ({
  id: `01900000-0000-7000-8000-${String(index).padStart(12, '0')}`,
  ...{ sheet: 's', path, kind: 'answer', value, seen: [], by: 'b', device: 'd', prev: null },
  ...(/^battery/.test(path) ? { unit: 'A.h' } : /mark_/.test(path) ? { unit: '%' } : {}),
  at: '2031-04-05T08:00:00.000Z',
});

function partOf(state: SheetState, past: readonly Past[] = []) {
  const written: (readonly Said[])[] = [];
  const sought: string[] = [];
  const props: KitPartProps = {
    ...{ state, locked: false, section: 'devices' },
    answer: () => Promise.resolve(null),
    write: (said) => {
      written.push(said);
      return Promise.resolve(null);
    },
    seek: (path) => void sought.push(path),
    listOf: () => Promise.resolve(null),
    readBefore: () => past,
  };
  return { props, written, sought };
}

const HOUSE = {
  'devices/d1': { order: 1, name: 'Lamp room' },
  'devices/d2': { order: 2, name: 'Stair' },
  'devices/d2/mark_x': 40,
  'devices/d2/mark_y': 60,
  'devices/d2/tried': 'not',
};
const GROUND = { 'plans/w1': { order: 1, name: 'Ground floor' }, 'plans/w1/floor_plan': PLAN };
const UPPER = { 'plans/w2': { order: 2, name: 'Upper floor' }, 'plans/w2/floor_plan': PLAN };

test('devices are set on the plan by touching it, and opened from there', async () => {
  signIn();
  const { props, written, sought } = partOf(await stand({ ...HOUSE, ...GROUND }));
  render(
    <Field>
      <FloorPlan {...props} />
    </Field>,
  );
  fireEvent.click(screen.getByLabelText('Stair, needs eyes'));
  expect(sought).toEqual(['devices/d2/tried']);
  fireEvent.click(screen.getByText('Set devices on it'));
  expect(await screen.findByText('Touch where Lamp room hangs.')).toBeTruthy();
  const paper = screen.getByLabelText('Ground floor with its devices').parentElement!;
  paper.getBoundingClientRect = () => ({ left: 0, top: 0, width: 200, height: 100 }) as DOMRect;
  fireEvent.click(paper, { clientX: 50, clientY: 90 });
  await screen.findByText('On the plan');
  expect(written).toEqual([
    [
      { path: 'devices/d1/mark_x', value: 25, unit: '%' },
      { path: 'devices/d1/mark_y', value: 90, unit: '%' },
      { path: 'devices/d1/mark_on', value: 'Ground floor' },
    ],
  ]);
  // A sheet takes it as it was said.
  for (const said of written.flat())
    expect(problemWithEntry(planSheet(ALARM.body), answerAt(0, said.path, said.value))).toBeNull();
});

test('each floor has its own: a device stands on one of them, and the next without a place is asked for', async () => {
  signIn();
  const on = { 'devices/d2/mark_on': 'Upper floor' };
  const { props, written } = partOf(await stand({ ...HOUSE, ...on, ...GROUND, ...UPPER }));
  render(
    <Field>
      <FloorPlan {...props} />
    </Field>,
  );
  expect(screen.queryByLabelText('Stair, needs eyes')).toBeNull();
  expect(screen.getByText('1 of 2 are on a plan. Touch one to open it.')).toBeTruthy();
  fireEvent.click(screen.getByText('Upper floor'));
  expect(screen.getByLabelText('Stair, needs eyes')).toBeTruthy();
  fireEvent.click(screen.getByText('Set devices on it'));
  fireEvent.click(screen.getByLabelText('Upper floor with its devices').parentElement!);
  await screen.findByText('On the plan');
  expect(written.flat().at(-1)).toEqual({ path: 'devices/d1/mark_on', value: 'Upper floor' });
});

test('a plan that was named anew loses nothing while it is the only one', async () => {
  signIn();
  const on = { 'devices/d2/mark_on': 'Groundfloor' };
  const show = async (plans: Readonly<Record<string, AnswerValue>>) => {
    cleanup();
    render(
      <Field>
        <FloorPlan {...partOf(await stand({ ...HOUSE, ...on, ...plans })).props} />
      </Field>,
    );
  };
  await show(GROUND);
  expect(screen.getByLabelText('Stair, needs eyes')).toBeTruthy();
  await show({ ...GROUND, ...UPPER });
  expect(screen.getByText('0 of 2 are on a plan. Touch one to open it.')).toBeTruthy();
});

test('without a plan, or without devices, there is nothing to set', async () => {
  signIn();
  for (const said of [HOUSE, GROUND]) {
    render(
      <Field>
        <FloorPlan {...partOf(await stand(said)).props} />
      </Field>,
    );
    expect(screen.queryByText('On the plan')).toBeNull();
  }
});

test('a battery tells when it falls below four fifths, and that it has', async () => {
  signIn();
  const past = [17, 16.3].map((value, at) => ({ at: `20${29 + at}-04-05T08:00:00.000Z`, value }));
  const show = async (measured: number) => {
    const said = { battery: 17, battery_measured: measured };
    render(
      <Field>
        <BatteryYears {...partOf(await stand(said), past).props} />
      </Field>,
    );
  };
  await show(15.6);
  // 0.7 Ah a year: 13.6 Ah comes 2.86 years after April 2031.
  expect(await screen.findByText(/falls below four fifths in Feb 2034/)).toBeTruthy();
  cleanup();
  await show(13.5);
  expect(await screen.findByText(/a new one is due/)).toBeTruthy();
});
