import {
  answersOf,
  questionAtPath,
  sketchesIn,
  type RowState,
  type SheetSketch,
} from '@ant-trail/core/sheet';
import { DEVICES, PLAN } from '@ant-trail/core/trades/alarm/keys';
import { marksIn, nameAmong, type SketchPlace } from '@ant-trail/core/trades/mark';
import { useMemo, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Segments } from '@/design/choose.tsx';
import { Body, Heading } from '@/design/text.tsx';
import type { KitPartProps } from '../part.ts';
import { saidForMark, SketchWithPins } from '../sketch-with-pins.tsx';
import { DevicePin } from './device-pin.tsx';
import { isAmiss, isLeft } from './passing.ts';

/** So many times as wide, where devices hang close to each other. */
const LARGE = 2.5;

/** The devices on the plans of the house: set there by touching, opened by touching. */
export default function FloorPlan({ state, locked, write, seek }: KitPartProps) {
  const [placing, setPlacing] = useState<string | null>(null);
  const [large, setLarge] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [shown, setShown] = useState<string | null>(null);
  const plans = useMemo(() => sketchesIn(state, PLAN), [state]);
  const rows = useMemo(() => devicesOn(state, plans), [state, plans]);
  const at = Math.max(
    0,
    plans.findIndex(({ path }) => path === shown),
  );
  const plan = plans[at];
  if (!plan || rows.length === 0) return null;
  const unplaced = rows.filter(({ marks }) => isNowhere(marks));
  const chosen = rows.find(({ row }) => row.id === placing);
  const where = plans.length > 1 ? 'on a plan' : 'on it';
  const nextAfter = (id: string): string | null => {
    const here = rows.findIndex(({ row }) => row.id === id);
    const others = [...rows.slice(here + 1), ...rows.slice(0, here)];
    const next = others.find(({ marks }) => isNowhere(marks));
    return next?.row.id ?? null;
  };
  const place = async (row: RowState, x: number, y: number): Promise<void> => {
    const refused = await write(saidForMark(row.path, x, y, plan.name));
    setTrouble(refused);
    if (refused === null) setPlacing(nextAfter(row.id));
  };
  return (
    <Column padding="$4" gap="$3">
      <Heading>On the plan</Heading>
      {plans.length > 1 ? (
        <Segments
          label="Plan"
          options={plans.map(({ path, name }) => ({ value: path, label: name }))}
          chosen={[plan.path]}
          onPress={setShown}
        />
      ) : null}
      <SketchWithPins
        sketch={plan.sketch}
        name={plan.name === '' ? 'Plan with its devices' : `${plan.name} with its devices`}
        wide={large ? LARGE : 1}
        onTouch={chosen ? (x, y) => void place(chosen.row, x, y) : null}
      >
        {rows.map(({ row, marks }) => {
          const mark = marks[at];
          return mark ? (
            <DevicePin
              key={row.id}
              name={row.name}
              number={row.number}
              mark={mark}
              standing={isAmiss(row) ? 'needs eyes' : isLeft(row) ? 'not tried' : 'passed'}
              isChosen={row.id === placing}
              onPress={() => (placing === null ? seek(seekable(row)) : setPlacing(row.id))}
            />
          ) : null;
        })}
      </SketchWithPins>
      <Row gap="$2" flexWrap="wrap">
        <Button dense onPress={() => setLarge(!large)}>
          {large ? 'Whole plan' : 'Closer'}
        </Button>
        {locked ? null : chosen ? (
          <>
            <Button dense onPress={() => setPlacing(nextAfter(chosen.row.id))}>
              Not this one
            </Button>
            <Button dense onPress={() => setPlacing(null)}>
              That is all
            </Button>
          </>
        ) : (
          <Button dense onPress={() => setPlacing((unplaced[0] ?? rows[0])?.row.id ?? null)}>
            Set devices on it
          </Button>
        )}
      </Row>
      <Body small quiet role="status">
        {chosen
          ? `Touch where ${chosen.row.name} hangs.`
          : unplaced.length === 0
            ? `All ${rows.length} are ${where}. Touch one to open it.`
            : `${rows.length - unplaced.length} of ${rows.length} are ${where}. Touch one to open it.`}
      </Body>
      {trouble ? (
        <Body small eyes role="alert">
          {trouble}
        </Body>
      ) : null}
    </Column>
  );
}

/** Every device, and where it hangs on each of the plans. */
function devicesOn(state: KitPartProps['state'], plans: readonly SheetSketch[]): readonly Device[] {
  const answers = answersOf(state);
  const onEach = plans.map((_, at) => marksIn(answers, DEVICES, nameAmong(plans, at)));
  const rows = questionAtPath(state, DEVICES)?.rows ?? [];
  return rows.map((row, at) => ({ row, marks: onEach.map((marks) => marks[at] ?? null) }));
}

interface Device {
  readonly row: RowState;
  readonly marks: readonly (SketchPlace | null)[];
}

const isNowhere = (marks: Device['marks']): boolean => marks.every((mark) => mark === null);

/** A question of the row: the row opens with it. */
const seekable = (row: RowState): string => row.questions[0]?.path ?? row.path;
