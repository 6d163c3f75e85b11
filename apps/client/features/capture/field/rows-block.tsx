import { orderAfterMove, type RowState } from '@ant-trail/core/sheet';
import { useCallback, useEffect, useState, type ComponentType } from 'react';
import { useStore } from 'zustand';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body } from '@/design/text.tsx';
import { useSheetSession, type PartProps } from '../session/sheet-context.tsx';
import { AddToRows } from './add-to-rows.tsx';
import { OpenRow } from './open-row.tsx';
import { RowLine } from './row-line.tsx';

export interface RowsBlockProps extends PartProps {
  /** How a question of a row is drawn; rows stand within questions as well. */
  readonly Block: ComponentType<PartProps>;
}

/** The rows of a group: all at a glance, one of them open, with the way to the next. */
export function RowsBlock({ state, locked, Block }: RowsBlockProps) {
  const session = useSheetSession();
  const sought = useStore(session.sought, ({ path: to }) =>
    to?.startsWith(`${state.path}/`) ? to : null,
  );
  const [opened, setOpened] = useState<string | null>(null);
  const [removed, setRemoved] = useState<RowState | null>(null);
  const { question, path, rows } = state;
  useEffect(() => {
    if (sought) setOpened(sought.slice(path.length + 1).split('/')[0] ?? null);
  }, [sought, path]);
  const toggle = useCallback(
    (id: string) => setOpened((before) => (before === id ? null : id)),
    [],
  );
  if (question.kind !== 'rows') return null;
  const index = rows.findIndex((row) => row.id === opened);
  const row = rows[index];
  const changeable = !locked && !question.fixed;
  const remove = (gone: RowState): void => {
    void session.write(gone.path, 'clear', null);
    setRemoved(gone);
    setOpened(null);
  };
  const move = (moved: RowState, step: -1 | 1): void => {
    const order = orderAfterMove(
      rows.map((each) => each.order),
      rows.indexOf(moved),
      step,
    );
    void session.write(moved.path, 'answer', { order, name: moved.name });
  };
  const restore = (gone: RowState): void => {
    void session.write(gone.path, 'answer', { order: gone.order, name: gone.name });
    setRemoved(null);
  };
  return (
    <Column gap="$2">
      <Column
        role="list"
        aria-label={question.label}
        maxHeight={row ? 180 : 420}
        style={{ overflowY: 'auto' }}
      >
        {rows.map((each) => (
          <RowLine key={each.id} row={each} here={each.id === opened} onPress={toggle} />
        ))}
      </Column>
      {rows.length === 0 ? (
        <Body small quiet>
          No {question.each} yet.
        </Body>
      ) : null}
      {removed && !rows.some((each) => each.id === removed.id) ? (
        <Row className="to-hand" gap="$3" justifyContent="space-between">
          <Body small quiet>
            {removed.name} was removed.
          </Body>
          <Button dense onPress={() => restore(removed)}>
            Bring it back
          </Button>
        </Row>
      ) : null}
      {changeable && !row ? <AddToRows state={state} /> : null}
      {row ? (
        <OpenRow
          key={row.id}
          Block={Block}
          row={row}
          before={rows[index - 1]}
          after={rows[index + 1]}
          onMove={(step) => move(row, step)}
          locked={locked}
          changeable={changeable}
          onGo={(next) => setOpened(next?.id ?? null)}
          onRemove={() => remove(row)}
        />
      ) : null}
    </Column>
  );
}
