import type { BoardStop } from '@ant-trail/contract/planning/desk';
import { minutesLate } from '@ant-trail/core/planning';
import { Row } from '@/design/box.tsx';
import { Body, Figure } from '@/design/text.tsx';
import { stopOf } from '../stop-marks.ts';

interface CountsProps {
  readonly cards: readonly BoardStop[];
  readonly minute: number | null;
  readonly timeZone: string;
}

/** How far the day has come. */
export function Counts({ cards, minute, timeZone }: CountsProps) {
  const placed = cards.filter((card) => card.visit.person !== null);
  const done = placed.filter(({ job }) => job.state === 'in review' || job.state === 'approved');
  const late =
    minute === null
      ? []
      : placed.filter(
          (card) =>
            (card.job.state === 'planned' || card.job.state === 'under way') &&
            minutesLate(stopOf(card, timeZone), minute) > 0,
        );
  return (
    <Row gap="$3">
      <Count count={placed.length} word={placed.length === 1 ? 'stop' : 'stops'} />
      <Count count={done.length} word="done" />
      {late.length > 0 ? <Count count={late.length} word="late" eyes /> : null}
    </Row>
  );
}

function Count({ count, word, eyes }: { count: number; word: string; eyes?: boolean }) {
  return (
    <Row gap={5} alignItems="baseline">
      <Figure strong fontSize="$4" eyes={eyes}>
        {count}
      </Figure>
      <Body small eyes={eyes}>
        {word}
      </Body>
    </Row>
  );
}
