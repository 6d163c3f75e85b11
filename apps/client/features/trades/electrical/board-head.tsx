import { isAsked, isSaid, sayState, textOf, type RowState } from '@ant-trail/core/sheet';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Pick } from '@/design/pick.tsx';
import { sayShortDay } from '@/design/say-day.ts';
import { Body } from '@/design/text.tsx';
import { placesOf, questionIn } from './places.ts';

interface BoardHeadProps {
  readonly about: string;
  readonly board: RowState;
  readonly boards: readonly RowState[];
  readonly asTable: boolean;
  readonly onBoard: (id: string) => void;
  /** From the table to way by way, and back; null where there is no room for a table. */
  readonly onTurn: (() => void) | null;
  /** To what is said of the board itself. */
  readonly onOwn: () => void;
  readonly onClose: () => void;
}

/** Which board it is, what feeds it, and the ways to the others and back. */
export function BoardHead(props: BoardHeadProps) {
  const { about, board, boards, asTable, onBoard, onTurn, onOwn, onClose } = props;
  const [own] = placesOf(board);
  const fed = questionIn(own, 'fed_from')?.answer;
  const said = (own?.questions ?? [])
    .filter((state) => isAsked(state.question) && isSaid(state))
    .map((state) => `${state.question.label}: ${sayState(state, sayShortDay)}`);
  const open = own?.questions.some(({ looseEnds }) => looseEnds.length > 0);
  return (
    <Column
      padding="$3"
      gap="$2"
      borderBottomWidth={1}
      borderColor="$rule"
      backgroundColor="$sheet"
    >
      <Row className="to-hand" justifyContent="space-between" gap="$3">
        <Body render="h2" margin={0} strong fontSize="$4" lineHeight="$4" flex={1}>
          {board.name}
        </Body>
        {onTurn ? (
          <Button dense onPress={onTurn}>
            {asTable ? 'Way by way' : 'As a table'}
          </Button>
        ) : null}
        <Button plain dense onPress={onClose}>
          ‹ Sheet
        </Button>
      </Row>
      {boards.length > 1 ? (
        <Row>
          <Pick
            label="Board"
            hideLabel
            value={board.id}
            onChange={onBoard}
            options={boards.map(({ id, name }) => ({ value: id, label: name }))}
          />
        </Row>
      ) : null}
      {asTable ? (
        <Row gap="$3" flexWrap="wrap">
          <Body small quiet={!open} eyes={open === true} flexShrink={1}>
            {[...said, open ? 'something of the board itself is missing' : '']
              .filter(Boolean)
              .join(' · ')}
          </Body>
          <Button dense plain onPress={onOwn}>
            The board itself
          </Button>
        </Row>
      ) : (
        <Body small quiet>
          {[about, fed ? `fed from ${textOf(fed.value)}` : ''].filter(Boolean).join(' · ')}
        </Body>
      )}
    </Column>
  );
}
