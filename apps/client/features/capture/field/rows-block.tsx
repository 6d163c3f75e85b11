import { rowPath } from '@ant-trail/core/log';
import {
  answersForNewRow,
  answersToCopy,
  blanksIn,
  nameRows,
  orderAfterMove,
  type RowState,
} from '@ant-trail/core/sheet';
import { memo, useCallback, useEffect, useState } from 'react';
import { useStore } from 'zustand';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Mark } from '@/design/mark.tsx';
import { Notice } from '@/design/notice.tsx';
import { Pick } from '@/design/pick.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { Body, Figure } from '@/design/text.tsx';
import { newId } from '@/device/identity.ts';
import { CloseOut } from './close-out.tsx';
import { FromRegister } from './from-register.tsx';
import { QuestionBlock } from './question-block.tsx';
import { useSheetSession, type PartProps } from './sheet-context.tsx';

/** The rows of a group: all at a glance, one of them open, with the way to the next. */
export function RowsBlock({ state, locked }: PartProps) {
  const session = useSheetSession();
  const sought = useStore(session.sought, ({ path: to }) =>
    to?.startsWith(`${state.path}/`) ? to : null,
  );
  const [opened, setOpened] = useState<string | null>(null);
  const [adding, setAdding] = useState(false);
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
  const full = question.most !== undefined && rows.length >= question.most;
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
        <Row gap="$3" justifyContent="space-between">
          <Body small quiet>
            {removed.name} was removed.
          </Body>
          <Button dense onPress={() => restore(removed)}>
            Bring it back
          </Button>
        </Row>
      ) : null}
      {changeable && !row ? (
        <Row gap="$2" flexWrap="wrap">
          <FromRegister state={state} />
          <Button dense disabled={full} onPress={() => setAdding(true)}>
            Add {question.each}
          </Button>
        </Row>
      ) : null}
      {row ? (
        <OpenRow
          key={row.id}
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
      {adding ? (
        <AddRows
          each={question.each}
          group={path}
          rows={rows}
          room={(question.most ?? 1000) - rows.length}
          onClose={() => setAdding(false)}
        />
      ) : null}
    </Column>
  );
}

interface RowLineProps {
  readonly row: RowState;
  readonly here: boolean;
  readonly onPress: (id: string) => void;
}

/** Drawn anew only when its own row changes: a group may have hundreds. */
const RowLine = memo(function RowLine({ row, here, onPress }: RowLineProps) {
  const { answered, asked } = row.tally;
  const done = row.looseEnds.length === 0;
  const amiss = row.questions.some((state) => (state.findings[0]?.severity ?? 0) >= 2);
  return (
    <Column role="listitem" style={{ contentVisibility: 'auto', containIntrinsicSize: '52px' }}>
      <PressableRow
        onPress={() => onPress(row.id)}
        aria-expanded={here}
        borderBottomWidth={1}
        borderColor="$rule"
        paddingVertical="$2"
        backgroundColor={here ? '$touch' : 'transparent'}
      >
        <Row gap="$3" alignSelf="stretch">
          <Mark
            name={
              amiss
                ? 'needs eyes'
                : done && answered > 0
                  ? 'finished'
                  : answered > 0
                    ? 'under way'
                    : 'planned'
            }
            size={18}
          />
          <Body strong={here} flex={1} numberOfLines={1}>
            {row.name}
          </Body>
          <Figure small quiet>
            {answered} of {asked}
          </Figure>
        </Row>
      </PressableRow>
      {row.removal ? (
        <Notice tone="eyes" mark="differs">
          Somebody removed this while it was being filled in.
        </Notice>
      ) : null}
    </Column>
  );
});

interface OpenRowProps {
  readonly row: RowState;
  readonly before: RowState | undefined;
  readonly after: RowState | undefined;
  readonly locked: boolean;
  readonly changeable: boolean;
  readonly onGo: (row: RowState | null) => void;
  readonly onMove: (step: -1 | 1) => void;
  readonly onRemove: () => void;
}

function OpenRow(props: OpenRowProps) {
  const { row, before, after, locked, changeable, onGo, onMove, onRemove } = props;
  const session = useSheetSession();
  const blanks = blanksIn(row.questions);
  const copy = async (from: RowState) => {
    await session.writeAll(
      answersToCopy(from, row).map((answer) => ({ ...answer, kind: 'answer' as const })),
    );
  };
  return (
    <Column borderLeftWidth={3} borderColor="$sun" marginLeft={-16} marginRight={-16}>
      <Row paddingHorizontal="$4" gap="$2" justifyContent="space-between">
        <Body render="h4" margin={0} strong flex={1}>
          {row.name}
        </Body>
        <Button dense onPress={() => onGo(before ?? null)} disabled={!before} label="Row before">
          ‹
        </Button>
        <Button dense onPress={() => onGo(after ?? null)} disabled={!after} label="Next row">
          ›
        </Button>
      </Row>
      {locked ? null : (
        <Row paddingHorizontal="$4" paddingTop="$2" gap="$2" flexWrap="wrap">
          {before ? (
            <Button dense onPress={() => void copy(before)}>
              As in {before.name}
            </Button>
          ) : null}
          {blanks.length > 0 ? <CloseOut blanks={blanks} where={row.name} /> : null}
          {changeable ? (
            <>
              <Button dense plain disabled={!before} onPress={() => onMove(-1)} label="Move it up">
                ↑
              </Button>
              <Button dense plain disabled={!after} onPress={() => onMove(1)} label="Move it down">
                ↓
              </Button>
              <Button dense plain onPress={onRemove}>
                Remove
              </Button>
            </>
          ) : null}
        </Row>
      )}
      {row.questions.map((state) => (
        <QuestionBlock key={state.path} state={state} locked={locked} />
      ))}
      {after ? (
        <Row padding="$4">
          <Button grow main onPress={() => onGo(after)}>
            On to {after.name}
          </Button>
        </Row>
      ) : null}
    </Column>
  );
}

/** Of many rows, the last ones are offered to be repeated. */
const MODELS = 50;

interface AddRowsProps {
  readonly each: string;
  readonly group: string;
  readonly rows: readonly RowState[];
  readonly room: number;
  readonly onClose: () => void;
}

/** Adds one row or many by a pattern: how many, numbered from where, called what. */
function AddRows({ each, group, rows, room, onClose }: AddRowsProps) {
  const session = useSheetSession();
  const [count, setCount] = useState('1');
  const [from, setFrom] = useState(String(rows.length + 1));
  const [pattern, setPattern] = useState(`${each.charAt(0).toUpperCase()}${each.slice(1)} #`);
  const [like, setLike] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const add = async () => {
    const named = nameRows(Number(count), Number(from), pattern);
    if ('problem' in named) return setProblem(named.problem);
    if (named.names.length > room) return setProblem(`There is room for ${room} more.`);
    const last = rows.reduce((most, row) => Math.max(most, row.order), 0);
    const model = rows.find((row) => row.id === like);
    const refused = await session.writeAll(
      named.names.flatMap((name, index) => {
        const path = rowPath(group, newId());
        return [
          { path, value: { order: last + index + 1, name } },
          ...(model ? answersForNewRow(model, path) : []),
        ].map((said) => ({ ...said, kind: 'answer' as const }));
      }),
    );
    if (refused) return setProblem(refused);
    onClose();
  };
  return (
    <Dialog title={`Add ${each}`} onClose={onClose}>
      <Column gap="$3">
        <Input label="How many" kind="decimal" value={count} onChange={setCount} />
        <Input label="Numbered from" kind="decimal" value={from} onChange={setFrom} />
        <Input
          label="Called"
          value={pattern}
          onChange={setPattern}
          help="# stands for the number."
          problem={problem ?? undefined}
        />
        {rows.length > 0 ? (
          <Pick
            label="Filled in as"
            value={like}
            onChange={setLike}
            options={[
              { value: '', label: 'Nothing yet' },
              ...rows.slice(-MODELS).map((row) => ({ value: row.id, label: row.name })),
            ]}
          />
        ) : null}
        <Button main onPress={() => void add()}>
          Add
        </Button>
      </Column>
    </Dialog>
  );
}
