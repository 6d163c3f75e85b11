import type { ClockSaid } from '@ant-trail/contract/timesheet';
import type { Visit } from '@ant-trail/contract/planning';
import { addDays, weekdayOf } from '@ant-trail/core/calendar';
import {
  clockDay,
  isForgotten,
  minutesIn,
  timeAtVisit,
  workedMinutes,
  type AtVisit,
} from '@ant-trail/core/timesheet';
import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { Column, Row, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { FieldFoot, FieldHead, FieldPage } from '@/design/field-frame.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { sayDay, sayNearDay } from '@/design/say-day.ts';
import { Body, Figure, Heading, Title } from '@/design/text.tsx';
import { officeTime } from '@/device/clock.ts';
import type { LocalStore } from '@/device/local-store.ts';
import { useLive } from '@/device/use-live.ts';
import { useNow } from '@/device/use-now.ts';
import { useMe } from '@/features/accounts/session.ts';
import { FieldNav } from '@/features/sync/field/field-nav.tsx';
import { usePhone } from '@/features/sync/phone.tsx';
import { CLOCK_WORDS, sayClock, sayHours } from '../clock-words.ts';
import { approvedWeeks, bringOwnClock, DAYS_SHOWN } from './own-days.ts';
import { ClockDialog } from './clock-dialog.tsx';
import { SiteTimeDialog } from './site-time-dialog.tsx';

interface OwnVisit {
  readonly visit: Visit;
  readonly siteName: string;
  readonly time: AtVisit;
}

interface OwnDay {
  readonly day: string;
  readonly entries: readonly ClockSaid[];
  readonly visits: readonly OwnVisit[];
}

/** When somebody was there, or on the way there. */
const beginOf = ({ time }: OwnVisit): string => time.there?.from ?? time.onWay?.from ?? '';

async function ownDays(store: LocalStore, person: string, today: string): Promise<OwnDay[]> {
  const days = Array.from({ length: DAYS_SHOWN }, (_, at) => addDays(today, -at));
  const entries = await store.clock.where('day').anyOf(days).toArray();
  const visits = (await store.visits.where('day').anyOf(days).toArray()).filter(
    (visit) => visit.person === person && visit.events.length > 0,
  );
  const jobs = await store.jobs.bulkGet(visits.map(({ job }) => job));
  const sites = await store.sites.bulkGet(jobs.map((job) => job?.site ?? ''));
  const corrections = await store.siteTimes.toArray();
  const known = visits.map((visit, at): OwnVisit => ({
    ...{ visit, siteName: sites[at]?.name ?? 'A stop' },
    time: timeAtVisit(
      visit.events,
      corrections.filter((each) => each.visit === visit.id),
    ),
  }));
  return days
    .map((day) => ({
      day,
      entries: entries.filter((entry) => entry.day === day),
      visits: known
        .filter(({ visit }) => visit.day === day)
        .sort((a, b) => beginOf(a).localeCompare(beginOf(b))),
    }))
    .filter((own) => own.day === today || own.entries.length > 0 || own.visits.length > 0);
}

type Opened =
  | { readonly is: 'entry'; readonly day: OwnDay; readonly entry: ClockSaid | null }
  | { readonly is: 'visit'; readonly own: OwnVisit };

/** One's own days: what was said of them, the time at each stop, and how to put it right. */
export function OwnHoursScreen() {
  const { store } = usePhone();
  const { person, organisation } = useMe();
  const router = useRouter();
  const { day: today } = useNow(organisation.timeZone);
  const days = useLive(() => ownDays(store, person.id, today), [store, person.id, today]);
  const approved = useLive(() => approvedWeeks(store), [store]);
  const [opened, setOpened] = useState<Opened | null>(null);
  useEffect(() => {
    bringOwnClock(store, today).catch(() => undefined);
  }, [store, today]);
  return (
    <FieldPage title="Your hours">
      <FieldHead>
        <Row>
          <Button dense plain onPress={() => router.navigate('/trail')}>
            ‹ Trail
          </Button>
        </Row>
        <Title>Your hours</Title>
      </FieldHead>
      <Scroll render="main" id="main">
        <Column padding="$4" gap="$5">
          {(days ?? []).map((own) => (
            <DayOfOwn
              key={own.day}
              own={own}
              today={today}
              approved={approved?.includes(addDays(own.day, 1 - weekdayOf(own.day))) === true}
              onOpen={setOpened}
            />
          ))}
        </Column>
      </Scroll>
      {opened?.is === 'entry' ? (
        <ClockDialog
          day={opened.day.day}
          entry={opened.entry}
          clock={clockDay(opened.day.entries)}
          onClose={() => setOpened(null)}
        />
      ) : null}
      {opened?.is === 'visit' ? (
        <SiteTimeDialog
          visit={opened.own.visit.id}
          day={opened.own.visit.day}
          siteName={opened.own.siteName}
          there={opened.own.time.there}
          onClose={() => setOpened(null)}
        />
      ) : null}
      <FieldFoot>
        <FieldNav />
      </FieldFoot>
    </FieldPage>
  );
}

interface DayOfOwnProps {
  readonly own: OwnDay;
  readonly today: string;
  readonly approved: boolean;
  readonly onOpen: (opened: Opened) => void;
}

function DayOfOwn({ own, today, approved, onOpen }: DayOfOwnProps) {
  const { organisation } = useMe();
  const clock = clockDay(own.entries);
  const now = officeTime().toISOString();
  const near = sayNearDay(own.day, today);
  const odd = new Set(clock.odd);
  const forgotten = isForgotten(clock, now);
  return (
    <Column render="section" aria-label={sayDay(own.day)} gap="$1">
      <Row justifyContent="space-between" alignItems="baseline" gap="$2" flexWrap="wrap">
        <Heading>{near === 'today' || near === 'yesterday' ? near : sayDay(own.day)}</Heading>
        <Body small strong eyes={forgotten}>
          {forgotten ? 'no end yet' : sayHours(workedMinutes(clock, now))}
          {approved ? ' · approved' : ''}
        </Body>
      </Row>
      {clock.steps.map((entry) => (
        <PressableRow
          key={entry.id}
          flexDirection="row"
          alignItems="center"
          gap="$3"
          onPress={() => onOpen({ is: 'entry', day: own, entry })}
        >
          <Figure>{sayClock(entry.at, organisation.timeZone)}</Figure>
          <Column flex={1} alignItems="flex-start">
            <Body eyes={odd.has(entry.id)}>
              {entry.step ? CLOCK_WORDS[entry.step] : ''}
              {odd.has(entry.id) ? ': that can’t be' : ''}
            </Body>
            {entry.reason ? (
              <Body small quiet textAlign="left">
                {entry.by === own.entries[0]?.person ? '' : 'by the office: '}
                {entry.reason}
              </Body>
            ) : null}
          </Column>
        </PressableRow>
      ))}
      {own.visits.map((each) => (
        <PressableRow
          key={each.visit.id}
          flexDirection="row"
          alignItems="center"
          gap="$3"
          onPress={() => onOpen({ is: 'visit', own: each })}
        >
          <Figure quiet>
            {each.time.there ? sayClock(each.time.there.from, organisation.timeZone) : '--:--'}
          </Figure>
          <Body flex={1} quiet textAlign="left">
            {each.siteName}
            {each.time.there ? `, ${sayHours(minutesIn([each.time.there], now))} there` : ''}
            {each.time.corrected ? ' (put right)' : ''}
          </Body>
        </PressableRow>
      ))}
      <Row>
        <Button
          dense
          label={`Add something to ${near}`}
          onPress={() => onOpen({ is: 'entry', day: own, entry: null })}
        >
          Add something
        </Button>
      </Row>
    </Column>
  );
}
