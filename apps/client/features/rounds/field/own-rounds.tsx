import { Column, Row } from '@/design/box.tsx';
import { Mark } from '@/design/mark.tsx';
import { sayNearDay } from '@/design/say-day.ts';
import { Body, Heading } from '@/design/text.tsx';
import { useLive } from '@/device/use-live.ts';
import { useNow } from '@/device/use-now.ts';
import { useMe } from '@/features/accounts/session.ts';
import { usePhone } from '@/features/sync/phone.tsx';

/** The rounds of whoever holds the phone: today's or not, and when next. */
export function OwnRounds() {
  const { store } = usePhone();
  const { person, organisation } = useMe();
  const { day: today } = useNow(organisation.timeZone);
  const rounds = useLive(
    () => store.rounds.where('person').equals(person.id).sortBy('name'),
    [store, person.id],
  );
  const own = (rounds ?? []).filter(({ retired }) => !retired);
  if (own.length === 0) return null;
  return (
    <Column padding="$4" paddingLeft={96} gap="$2">
      <Heading>Your rounds</Heading>
      <Column role="list" aria-label="Your rounds" gap="$2">
        {own.map(({ id, name, says, days }) => {
          const next = days.find((day) => day >= today);
          return (
            <Row key={id} role="listitem" gap="$2" alignItems="flex-start">
              <Mark name={next === today ? 'next' : 'planned'} size={18} silent />
              <Column flex={1}>
                <Body strong>{name}</Body>
                <Body small quiet>
                  {next === today
                    ? 'today'
                    : `nothing today, ${next ? `next ${sayNearDay(next, today)}` : 'no day lies ahead'}`}
                  {` · ${says}`}
                </Body>
              </Column>
            </Row>
          );
        })}
      </Column>
    </Column>
  );
}
