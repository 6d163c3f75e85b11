import { answersOf, questionAtPath, type RowState } from '@ant-trail/core/sheet';
import { DEVICES, PLAN } from '@ant-trail/core/trades/alarm/keys';
import { marksIn } from '@ant-trail/core/trades/mark';
import { useMemo, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body, Heading } from '@/design/text.tsx';
import type { KitPartProps } from '../part.ts';
import { saidForMark, sketchAt, SketchWithPins } from '../sketch-with-pins.tsx';
import { DevicePin } from './device-pin.tsx';
import { isAmiss, isLeft } from './passing.ts';

/** So many times as wide, where devices hang close to each other. */
const LARGE = 2.5;

/** The devices on the plan of the house: set there by touching, opened by touching. */
export default function FloorPlan({ state, locked, write, seek }: KitPartProps) {
  const [placing, setPlacing] = useState<string | null>(null);
  const [large, setLarge] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const rows = useMemo(() => devicesOf(state), [state]);
  const sketch = sketchAt(state, PLAN);
  if (!sketch || rows.length === 0) return null;
  const unplaced = rows.filter(({ mark }) => mark === null);
  const chosen = rows.find(({ row }) => row.id === placing);
  const nextAfter = (id: string): string | null => {
    const at = rows.findIndex(({ row }) => row.id === id);
    const next = [...rows.slice(at + 1), ...rows.slice(0, at)].find(({ mark }) => mark === null);
    return next?.row.id ?? null;
  };
  const place = async (row: RowState, x: number, y: number): Promise<void> => {
    const refused = await write(saidForMark(row.path, x, y));
    setTrouble(refused);
    if (refused === null) setPlacing(nextAfter(row.id));
  };
  return (
    <Column padding="$4" gap="$3">
      <Heading>On the plan</Heading>
      <SketchWithPins
        sketch={sketch}
        name="Plan with its devices"
        wide={large ? LARGE : 1}
        onTouch={chosen ? (x, y) => void place(chosen.row, x, y) : null}
      >
        {rows.map(({ row, mark }) =>
          mark ? (
            <DevicePin
              key={row.id}
              name={row.name}
              number={row.number}
              mark={mark}
              standing={isAmiss(row) ? 'needs eyes' : isLeft(row) ? 'not tried' : 'passed'}
              isChosen={row.id === placing}
              onPress={() => (placing === null ? seek(seekable(row)) : setPlacing(row.id))}
            />
          ) : null,
        )}
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
            ? `All ${rows.length} are on it. Touch one to open it.`
            : `${rows.length - unplaced.length} of ${rows.length} are on it. Touch one to open it.`}
      </Body>
      {trouble ? (
        <Body small eyes role="alert">
          {trouble}
        </Body>
      ) : null}
    </Column>
  );
}

function devicesOf(state: KitPartProps['state']) {
  const marks = marksIn(answersOf(state), DEVICES);
  const rows = questionAtPath(state, DEVICES)?.rows ?? [];
  return rows.map((row, at) => ({ row, mark: marks[at] ?? null }));
}

/** A question of the row: the row opens with it. */
const seekable = (row: RowState): string => row.questions[0]?.path ?? row.path;
