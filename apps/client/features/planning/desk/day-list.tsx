import { sayMinute } from '@ant-trail/core/calendar';
import { layLane } from '@ant-trail/core/planning';
import { Column, Row } from '@/design/box.tsx';
import { Mark } from '@/design/mark.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { Body, Figure, Heading } from '@/design/text.tsx';
import { useMe } from '@/features/accounts/session.ts';
import { sayLoad, type DayChartProps } from './day-chart.tsx';
import { markOf, sayStop, stopOf } from './stop-marks.ts';

/** The day on a phone: person by person, stop by stop, as the chart says it. */
export function DayList({ people, cards, now, onOpen }: DayChartProps) {
  return (
    <Column gap="$4" paddingTop="$4">
      {people.map((person) => {
        const own = cards.filter((card) => card.visit.person === person.id);
        return (
          <Column key={person.id} render="section" aria-label={person.name} gap="$1">
            <Row justifyContent="space-between" gap="$2" alignItems="baseline">
              <Heading fontSize="$3">{person.name}</Heading>
              <Body small quiet>
                {sayLoad(own)}
              </Body>
            </Row>
            <Lane cards={own} now={now} onOpen={onOpen} />
          </Column>
        );
      })}
    </Column>
  );
}

function Lane({ cards, now, onOpen }: Omit<DayChartProps, 'people'>) {
  const { organisation } = useMe();
  const ordered = [...cards].sort((a, b) => a.visit.start - b.visit.start);
  const stops = ordered.map((card) => stopOf(card, organisation.timeZone));
  const { marks } = layLane(stops, now);
  return (
    <Column role="list">
      {ordered.map((card, index) => {
        const [mark, stop] = [marks[index], stops[index]];
        if (!mark || !stop) return null;
        const words = sayStop(card, stop, now);
        const late = words.endsWith('late');
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
