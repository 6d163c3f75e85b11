import type { RowState } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { useTwoSides } from '@/design/sides.ts';
import { WholeScreen } from '@/design/whole-screen.tsx';
import type { KitRowsProps } from '../part.ts';
import { AddWays } from './add-ways.tsx';
import { BoardHead } from './board-head.tsx';
import { CircuitGrid } from './circuit-grid.tsx';
import { circuitsOf, firstAt, placesOf, type At } from './places.ts';
import { useEntry } from './use-entry.ts';
import { ValuePad } from './value-pad.tsx';
import { WayByWay } from './way-by-way.tsx';

interface WaysScreenProps extends KitRowsProps {
  readonly board: RowState;
  readonly boards: readonly RowState[];
  readonly begin: At | null;
  readonly onBoard: (id: string) => void;
  readonly onClose: () => void;
}

/** One board: way by way, with the pad that stays between two values; where there is room, as a table. */
export function WaysScreen(props: WaysScreenProps) {
  const { board, boards, about, locked, write, CloseOut, onBoard, onClose } = props;
  const places = placesOf(board);
  const [own] = places;
  const circuits = circuitsOf(board);
  const entry = useEntry(places, props.begin, props);
  const [adding, setAdding] = useState(false);
  const wide = useTwoSides();
  // What was sought is a value of one way.
  const [byWay, setByWay] = useState(props.begin !== null);
  const asTable = wide && !byWay && circuits !== undefined;
  return (
    <WholeScreen title={`${about}, ${board.name}`} onClose={() => entry.leave(onClose)}>
      <BoardHead
        {...{ about, board, boards, asTable }}
        onBoard={(id) => entry.leave(() => onBoard(id))}
        onTurn={wide ? () => entry.leave(() => setByWay(!byWay)) : null}
        onOwn={() => {
          setByWay(true);
          if (own) entry.go(firstAt(own));
        }}
        onClose={() => entry.leave(onClose)}
      />
      {asTable ? (
        <CircuitGrid {...props} group={circuits} name={board.name} />
      ) : (
        <WayByWay
          {...{ places, entry, locked, wide, CloseOut }}
          onAdd={locked || !circuits ? null : () => setAdding(true)}
        />
      )}
      {locked || asTable ? null : <ValuePad entry={entry} Question={props.Question} />}
      {adding && circuits ? (
        <AddWays
          circuits={circuits}
          ways={places.slice(1)}
          write={write}
          onClose={() => setAdding(false)}
        />
      ) : null}
    </WholeScreen>
  );
}
