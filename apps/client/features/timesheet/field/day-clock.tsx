import { nextSteps, workedMinutes, type ClockStep } from '@ant-trail/core/timesheet';
import { useRouter } from 'expo-router';
import { useEffect } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body } from '@/design/text.tsx';
import { officeTime } from '@/device/clock.ts';
import { useLive } from '@/device/use-live.ts';
import { useNow } from '@/device/use-now.ts';
import { useMe } from '@/features/accounts/session.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { CLOCK_PRESSES, sayClock, sayHours } from '../clock-words.ts';
import { bringOwnClock, openDay, sayOfDay, type OpenDay } from './own-days.ts';

/** How the working day stands, and what comes next of it: a tap each. */
export function DayClock() {
  const { store, engine } = usePhone();
  const { person, organisation } = useMe();
  const router = useRouter();
  const now = useNow(organisation.timeZone);
  const open = useLive(() => openDay(store, now.day, officeTime()), [store, now.day]);
  useEffect(() => {
    // With no network what the phone has is what there is.
    bringOwnClock(store, now.day).catch(() => undefined);
  }, [store, now.day]);
  if (!open) return null;
  const press = async (step: ClockStep): Promise<void> => {
    await sayOfDay(store, person.id, { day: open.day, step });
    engine.soon();
  };
  return (
    <Column
      render="section"
      aria-label="Your working day"
      marginHorizontal="$4"
      marginTop="$3"
      paddingBottom="$3"
      gap="$2"
      borderBottomWidth={1}
      borderColor="$rule"
    >
      <Row gap="$2" justifyContent="space-between" flexWrap="wrap">
        <Body small role="status" flexShrink={1}>
          {sayStanding(open, organisation.timeZone)}
        </Body>
        <Row>
          <Button dense plain onPress={() => router.navigate('/my-messages')}>
            Messages
          </Button>
          <Button dense plain label="Your hours" onPress={() => router.navigate('/my-hours')}>
            Hours
          </Button>
        </Row>
      </Row>
      {open.forgotten ? (
        <Body small eyes strong>
          Nobody said when yesterday ended. Put it right under “Hours”.
        </Body>
      ) : null}
      <Row gap="$2">
        {nextSteps(open.clock.state).map((step) => (
          <Button key={step} dense grow onPress={() => press(step)}>
            {CLOCK_PRESSES[step]}
          </Button>
        ))}
      </Row>
    </Column>
  );
}

function sayStanding({ clock }: OpenDay, timeZone: string): string {
  const worked = sayHours(workedMinutes(clock, officeTime().toISOString()));
  const began = clock.spans[0];
  if (!began) return 'Your working day has not begun.';
  if (clock.state === 'off') return `Your day is over: ${worked}.`;
  const pause = clock.breaks.at(-1);
  return clock.state === 'on a break' && pause
    ? `On a break since ${sayClock(pause.from, timeZone)} · ${worked} so far`
    : `At work since ${sayClock(began.from, timeZone)} · ${worked} so far`;
}
