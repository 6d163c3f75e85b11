import type { BoardStop } from '@ant-trail/contract/planning/desk';
import { sayMinute } from '@ant-trail/core/calendar';
import { layLane } from '@ant-trail/core/planning';
import { Column, Row } from '@/design/box.tsx';
import { Mark } from '@/design/mark.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { Body, Figure, Heading } from '@/design/text.tsx';
import { useMe } from '@/features/accounts/session.ts';
import type { Lane } from './board/board-stops.ts';
import { MISFIT_MARK, sayLoad } from './board/board-words.ts';
import { markOf, sayStop, stopOf } from './stop-marks.ts';

export interface DayListProps {
  readonly lanes: readonly Lane[];
  readonly now: number | null;
  readonly onOpen: (stop: BoardStop) => void;
}

/** The day on a phone: person by person, stop by stop, as the chart says it. */
export function DayList({ lanes, now, onOpen }: DayListProps) {
  return (
    <Column gap="$4" paddingTop="$4">
      {lanes.map((lane) => (
        <Column key={lane.person.id} render="section" aria-label={lane.person.name} gap="$1">
          <Row justifyContent="space-between" gap="$2" alignItems="baseline">
            <Heading fontSize="$3">{lane.person.name}</Heading>
            <Body small quiet>
              {lane.away ?? sayLoad(lane.stops.length, lane.load)}
            </Body>
          </Row>
          <Stops lane={lane} now={now} onOpen={onOpen} />
        </Column>
      ))}
    </Column>
  );
}

function Stops({ lane, now, onOpen }: Omit<DayListProps, 'lanes'> & { readonly lane: Lane }) {
  const cards = lane.stops;
  const { organisation } = useMe();
  const ordered = [...cards].sort((a, b) => a.visit.start - b.visit.start);
  const stops = ordered.map((card) => stopOf(card, organisation.timeZone));
  const { marks } = layLane(stops, now);
  return (
    <Column role="list">
      {ordered.map((card, index) => {
        const [mark, stop] = [marks[index], stops[index]];
        if (!mark || !stop) return null;
        const misfit = lane.misfits.find(({ visit }) => visit === card.visit.id);
        const standing = sayStop(card, stop, now);
        const words = misfit && !standing.endsWith('late') ? MISFIT_MARK[misfit.code] : standing;
        const late = words !== standing || words.endsWith('late');
        return (
          <Row key={card.visit.id} role="listitem">
            <PressableRow
              flex={1}
              flexDirection="row"
              alignItems="center"
              gap="$2"
              paddingVertical="$1"
              onPress={() => onOpen(card)}
            >
              <Figure small>{sayMinute(card.visit.start)}</Figure>
              <Mark name={markOf(card, mark.state)} size={20} silent />
              <Body flex={1} strong={mark.state === 'here'}>
                {card.siteName}
              </Body>
              <Body small quiet={!late} eyes={late} strong={late}>
                {words}
              </Body>
            </PressableRow>
          </Row>
        );
      })}
    </Column>
  );
}
