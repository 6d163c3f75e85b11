import { rowPath } from '@ant-trail/core/log';
import { textOf, type RowState } from '@ant-trail/core/sheet';
import { useEffect, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Mark } from '@/design/mark.tsx';
import { Body } from '@/design/text.tsx';
import { newId } from '@/device/identity.ts';
import type { KitRowsProps } from '../part.ts';
import { RowCard, RowCards } from '../row-cards.tsx';
import { circuitsOf, isSpare, placesOf, questionIn, standingOf, type At } from './places.ts';
import { WaysScreen } from './ways-screen.tsx';

/** The boards of a certificate: each with the picture of its ways, and the way in. */
export default function Boards(props: KitRowsProps) {
  const { state, locked, write, sought, onShown } = props;
  const [opened, setOpened] = useState<{ board: string; at: At | null } | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const { rows } = state;
  useEffect(() => {
    if (sought === null) return;
    const board = rows.find(({ path }) => sought.startsWith(`${path}/`));
    const place = board && placesOf(board).findLast(({ path }) => sought.startsWith(`${path}/`));
    if (board)
      setOpened({
        board: board.id,
        at: place ? { place: place.path, key: sought.slice(place.path.length + 1) } : null,
      });
    onShown();
  }, [sought, rows, onShown]);
  const addBoard = async (): Promise<void> => {
    const order = Math.max(0, ...rows.map((row) => row.order)) + 1;
    const name = `Board ${rows.length + 1}`;
    const id = newId();
    const refused = await write([{ path: rowPath(state.path, id), value: { order, name } }]);
    setTrouble(refused);
    if (refused === null) setOpened({ board: id, at: null });
  };
  const board = rows.find(({ id }) => id === opened?.board);
  return (
    <Column gap="$3">
      <RowCards
        label={state.question.label}
        trouble={trouble}
        another={locked ? null : rows.length === 0 ? 'The first board' : 'Another board'}
        onAdd={addBoard}
      >
        {rows.map((each) => (
          <BoardCard
            key={each.id}
            board={each}
            onOpen={() => setOpened({ board: each.id, at: null })}
          />
        ))}
      </RowCards>
      {board ? (
        <WaysScreen
          key={board.id}
          {...props}
          board={board}
          boards={rows}
          begin={opened?.at ?? null}
          onBoard={(id) => setOpened({ board: id, at: null })}
          onClose={() => setOpened(null)}
        />
      ) : null}
    </Column>
  );
}

const counted = (count: number, one: string, many: string): string =>
  `${count} ${count === 1 ? one : many}`;

/** A board in one line of words, and a mark for each of its ways. */
function BoardCard({ board, onOpen }: { board: RowState; onOpen: () => void }) {
  const [own, ...ways] = placesOf(board);
  const place = own && questionIn(own, 'board_place')?.answer;
  const standing = ways.map((way) => (isSpare(way) ? null : standingOf(way)));
  const done = standing.filter((mark) => mark === 'finished' || mark === 'needs eyes').length;
  const beyond = standing.filter((mark) => mark === 'needs eyes').length;
  const inUse = standing.filter((mark) => mark !== null).length;
  return (
    <RowCard name={board.name} words={place ? textOf(place.value) : ''} onOpen={onOpen}>
      {ways.length > 0 ? (
        <Row flexWrap="wrap" gap="$1" aria-hidden>
          {ways.map((way, index) => {
            const mark = standing[index];
            return (
              <Column key={way.path} width={22} height={22} opacity={mark ? 1 : 0.35}>
                <Mark name={mark ?? 'planned'} size={20} silent />
              </Column>
            );
          })}
        </Row>
      ) : null}
      <Body small quiet>
        {circuitsOf(board) && ways.length > 0
          ? [
              counted(ways.length, 'way', 'ways'),
              inUse < ways.length ? `${ways.length - inUse} spare` : '',
              `${done} of ${inUse} done`,
              beyond > 0 ? `${beyond} beyond a limit` : '',
            ]
              .filter(Boolean)
              .join(', ')
          : 'No ways yet.'}
      </Body>
    </RowCard>
  );
}
