import type { Round } from '@ant-trail/contract/rounds';
import type { PublishedTemplate } from '@ant-trail/contract/templates';
import { sayMinute } from '@ant-trail/core/calendar';
import { sayRule } from '@ant-trail/core/rounds';
import { Column } from '@/design/box.tsx';
import { sayDatedDay } from '@/design/say-day.ts';
import { Body } from '@/design/text.tsx';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { HOLIDAY_WORDS } from './holiday-words.ts';
import { StopsField } from './stops-field.tsx';

export interface RoundSaidProps {
  readonly round: Round;
  readonly templates: readonly PublishedTemplate[];
}

/** A round for those who read it and change nothing. */
export function RoundSaid({ round, templates }: RoundSaidProps) {
  const people = usePeople();
  return (
    <Column gap="$3">
      <Body>
        {sayRule(round.rule)}, from {sayDatedDay(round.begins)}, at {sayMinute(round.start)}
      </Body>
      <Body>On holidays: {HOLIDAY_WORDS[round.onHolidays]}</Body>
      <Body>Walked by {people.name(round.person)}</Body>
      <StopsField stops={round.stops} templates={templates} mayChange={false} />
      {round.instructions ? <Body>{round.instructions}</Body> : null}
    </Column>
  );
}
