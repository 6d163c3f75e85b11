import { answersOf, questionAtPath, type RowState, type SheetState } from '@ant-trail/core/sheet';
import { CONDITIONS, SKETCH } from '@ant-trail/core/trades/property/keys';
import { useMemo, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body, Heading } from '@/design/text.tsx';
import type { KitPartProps } from '../part.ts';
import { saidForMark, sketchAt, SketchWithPins } from '../sketch-with-pins.tsx';
import { MarkPin } from './mark-pin.tsx';
import { useProperty } from './use-property.ts';

/** The sketch of the place with what is to be put right on it, numbered as in the list. */
export default function PlaceMarks({ state, locked, write }: KitPartProps) {
  const kit = useProperty();
  const [chosen, setChosen] = useState<number | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const conditions = useMemo(() => kit?.conditionsOf(answersOf(state)) ?? [], [kit, state]);
  const rows = rowsOf(state);
  const sketch = sketchAt(state, SKETCH);
  if (rows.length === 0) return null;
  if (!sketch)
    return (
      <Column padding="$4">
        <Body small quiet>
          Draw the place, or put a picture underneath: what is to be put right is marked on it here.
        </Body>
      </Column>
    );
  const place = async (x: number, y: number): Promise<void> => {
    const row = chosen === null ? undefined : rows[chosen];
    if (!row) return;
    const refused = await write(saidForMark(row.path, x, y));
    setTrouble(refused);
    if (refused !== null) return;
    // The next that has no mark yet is to be placed.
    const next = conditions.find(({ at, mark }) => at > (chosen ?? 0) && mark === null);
    setChosen(next?.at ?? null);
  };
  return (
    <Column padding="$4" gap="$3">
      <Heading>On the sketch</Heading>
      <SketchWithPins
        sketch={sketch}
        name="Sketch with what is to be put right"
        onTouch={chosen === null ? null : (x, y) => void place(x, y)}
      >
        {conditions.map(({ number, mark, urgency }) =>
          mark ? <MarkPin key={number} {...{ number, mark, urgency }} /> : null,
        )}
      </SketchWithPins>
      {locked ? null : (
        <>
          <Row gap="$2" flexWrap="wrap" role="group" aria-label="Which is marked">
            {conditions.map(({ at, number, mark }) => (
              <Button
                key={at}
                dense
                main={at === chosen}
                label={`Mark ${number}, ${rows[at]?.name ?? ''}${mark ? ', marked' : ''}${at === chosen ? ', chosen' : ''}`}
                onPress={() => setChosen(at === chosen ? null : at)}
              >
                {number}
              </Button>
            ))}
          </Row>
          <Body small quiet role="status">
            {chosen === null
              ? 'Choose a number, then touch where it is.'
              : `Touch where ${(chosen ?? 0) + 1} is: ${rows[chosen]?.name ?? ''}.`}
          </Body>
        </>
      )}
      {trouble ? (
        <Body small eyes role="alert">
          {trouble}
        </Body>
      ) : null}
    </Column>
  );
}

const rowsOf = (state: SheetState): readonly RowState[] =>
  questionAtPath(state, CONDITIONS)?.rows ?? [];
