import { answersToCopy, blanksIn, type RowState } from '@ant-trail/core/sheet';
import type { ComponentType } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body } from '@/design/text.tsx';
import { useSheetSession, type PartProps } from '../session/sheet-context.tsx';
import { CloseOut } from './close-out.tsx';

interface OpenRowProps {
  /** How a question of the row is drawn; rows stand within questions as well. */
  readonly Block: ComponentType<PartProps>;
  readonly row: RowState;
  readonly before: RowState | undefined;
  readonly after: RowState | undefined;
  readonly locked: boolean;
  readonly changeable: boolean;
  readonly onGo: (row: RowState | null) => void;
  readonly onMove: (step: -1 | 1) => void;
  readonly onRemove: () => void;
}

/** One row with its questions, and the way to the next. */
export function OpenRow(props: OpenRowProps) {
  const { Block, row, before, after, locked, changeable, onGo, onMove, onRemove } = props;
  const session = useSheetSession();
  const blanks = blanksIn(row.questions);
  const copy = async (from: RowState) => {
    await session.writeAll(
      answersToCopy(from, row).map((answer) => ({ ...answer, kind: 'answer' as const })),
    );
  };
  return (
    <Column borderLeftWidth={3} borderColor="$trail" marginLeft={-16} marginRight={-16}>
      <Row className="to-hand" paddingHorizontal="$4" gap="$2" justifyContent="space-between">
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
            <Button dense onPress={() => copy(before)}>
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
        <Block key={state.path} state={state} locked={locked} />
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
