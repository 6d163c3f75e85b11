import { HoursAnswer, PersonHours, type DayHours } from '@ant-trail/contract/timesheet';
import { addDays, weekdayOf } from '@ant-trail/core/calendar';
import { View } from '@tamagui/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { DeskPage } from '@/design/desk-page.tsx';
import { Mark } from '@/design/mark.tsx';
import { sayShortDay, sayWhen } from '@/design/say-day.ts';
import { Body, Figure } from '@/design/text.tsx';
import { Unseen } from '@/design/unseen.tsx';
import { ask, fetchFile, wordsFor } from '@/device/api.ts';
import { useOffice } from '@/device/office.ts';
import { saveFile } from '@/device/save-file.ts';
import { useNow } from '@/device/use-now.ts';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { sayClock, sayHours } from '../clock-words.ts';
import { DayDialog } from './day-dialog.tsx';

const DAYS = 7;
const NAMES = 150;
const SUM = 190;

/** A week of everybody's hours: looked at, put right, approved and taken along. */
export function HoursScreen() {
  const { organisation } = useMe();
  const { day: today } = useNow(organisation.timeZone);
  const params = useLocalSearchParams<{ monday?: string }>();
  const router = useRouter();
  const thisMonday = addDays(today, 1 - weekdayOf(today));
  const asked = /^\d{4}-\d{2}-\d{2}$/.test(params.monday ?? '') ? params.monday : undefined;
  const monday = asked && weekdayOf(asked) === 1 ? asked : thisMonday;
  const { answer, problem } = useOffice(HoursAnswer, `/api/hours?monday=${monday}`, [
    ...(['hours', 'visit', 'person'] as const),
  ]);
  const [opened, setOpened] = useState<{ person: PersonHours; day: string } | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const days = Array.from({ length: DAYS }, (_, at) => addDays(monday, at));
  const take = async (format: 'xlsx' | 'csv'): Promise<void> => {
    const range = `from=${monday}&to=${days.at(-1) ?? monday}`;
    try {
      saveFile(await fetchFile(`/api/hours/days.${format}?${range}`), `hours ${monday}.${format}`);
    } catch (error) {
      setRefused(wordsFor(error));
    }
  };
  const goTo = (next: string): void => {
    setRefused(null);
    router.setParams({ monday: next === thisMonday ? undefined : next });
  };
  return (
    <DeskPage
      title="Hours"
      about={
        <Body quiet>
          {sayShortDay(monday)} to {sayShortDay(days.at(-1) ?? monday)}
        </Body>
      }
      problem={problem ?? refused}
      actions={
        <Row gap="$2" flexWrap="wrap" flexShrink={1}>
          <Button dense repeats onPress={() => goTo(addDays(monday, -DAYS))}>
            ‹ Before
          </Button>
          <Button dense onPress={() => goTo(thisMonday)} disabled={monday === thisMonday}>
            This week
          </Button>
          <Button dense repeats onPress={() => goTo(addDays(monday, DAYS))}>
            After ›
          </Button>
          <Button dense onPress={() => take('xlsx')}>
            Save as a table
          </Button>
          <Button dense onPress={() => take('csv')}>
            As CSV
          </Button>
        </Row>
      }
    >
      <View style={{ overflowX: 'auto' }}>
        <Column role="table" aria-label="Hours of the week" minWidth={NAMES + DAYS * 100 + SUM}>
          <Row role="row" alignItems="flex-end">
            <View role="columnheader" width={NAMES} paddingVertical="$2">
              <Body small>Person</Body>
            </View>
            {days.map((day) => (
              <View key={day} role="columnheader" flex={1} padding="$2" minWidth={100}>
                <Body small strong={day === today}>
                  {sayShortDay(day)}
                </Body>
              </View>
            ))}
            <View role="columnheader" width={SUM} padding="$2">
              <Body small>Week</Body>
            </View>
          </Row>
          {(answer?.people ?? []).map((person) => (
            <Row
              key={person.person}
              role="row"
              alignItems="stretch"
              borderTopWidth={1}
              borderColor="$rule"
            >
              <View role="rowheader" width={NAMES} paddingVertical="$2">
                <Body small strong>
                  {person.name}
                </Body>
              </View>
              {person.days.map((day) => (
                <View
                  key={day.day}
                  role="cell"
                  flex={1}
                  minWidth={100}
                  borderLeftWidth={1}
                  borderColor="$rule"
                >
                  <DayOfWeek
                    day={day}
                    name={person.name}
                    onPress={() => setOpened({ person, day: day.day })}
                  />
                </View>
              ))}
              <View role="cell" width={SUM} padding="$2" borderLeftWidth={1} borderColor="$rule">
                <WeekOfPerson hours={person} monday={monday} onRefused={setRefused} />
              </View>
            </Row>
          ))}
        </Column>
      </View>
      {answer?.people.length === 0 ? <Body quiet>Nobody has a trail yet.</Body> : null}
      {opened ? (
        <DayDialog
          person={opened.person.person}
          name={opened.person.name}
          day={opened.day}
          onClose={() => setOpened(null)}
        />
      ) : null}
    </DeskPage>
  );
}

interface DayOfWeekProps {
  readonly day: DayHours;
  readonly name: string;
  readonly onPress: () => void;
}

function DayOfWeek({ day, name, onPress }: DayOfWeekProps) {
  const { organisation } = useMe();
  const { timeZone } = organisation;
  const span =
    day.began === null
      ? ''
      : day.ended
        ? `${sayClock(day.began, timeZone)}–${sayClock(day.ended, timeZone)}`
        : `since ${sayClock(day.began, timeZone)}`;
  const notes = [
    day.isForgotten ? 'no end' : '',
    day.isOdd ? 'can’t be' : '',
    day.corrected ? 'put right' : '',
  ].filter(Boolean);
  return (
    <View
      render="button"
      flexGrow={1}
      padding="$2"
      minHeight={64}
      alignItems="flex-start"
      cursor="pointer"
      hoverStyle={{ backgroundColor: '$touch' }}
      onPress={onPress}
    >
      <Unseen>{`${name}, ${sayShortDay(day.day)}: `}</Unseen>
      {day.began === null && day.visits === 0 ? (
        <Body small quiet>
          –
        </Body>
      ) : (
        <>
          <Figure small strong quiet={day.began === null}>
            {`${day.began === null || day.isForgotten ? '–' : sayHours(day.worked)} `}
          </Figure>
          {span ? <Figure tiny>{`${span} `}</Figure> : null}
          {day.visits > 0 ? (
            <Body tiny quiet textAlign="left">
              {`${sayHours(day.onSite)} on site `}
            </Body>
          ) : null}
          {notes.length > 0 ? (
            <Body tiny strong eyes={day.isForgotten || day.isOdd} textAlign="left">
              {notes.join(' · ')}
            </Body>
          ) : null}
        </>
      )}
    </View>
  );
}

interface WeekOfPersonProps {
  readonly hours: PersonHours;
  readonly monday: string;
  readonly onRefused: (words: string | null) => void;
}

/** What the week comes to, and whether it is approved. */
function WeekOfPerson({ hours, monday, onRefused }: WeekOfPersonProps) {
  const { person: me, organisation } = useMe();
  const people = usePeople();
  const { person, name, worked, mark, approved, days } = hours;
  const isOpen = days.some((day) => day.isOpen);
  const tell = async (path: string, more: object): Promise<void> => {
    onRefused(null);
    try {
      await ask(PersonHours, 'POST', path, { person, monday, ...more });
    } catch (error) {
      onRefused(wordsFor(error));
    }
  };
  const stands = approved !== null && !approved.changedSince;
  return (
    <Column gap="$1">
      <Figure small strong>
        {worked === 0 ? '–' : sayHours(worked)}
      </Figure>
      {approved ? (
        <Row gap="$1" alignItems="flex-start">
          <Mark name={stands ? 'approved' : 'needs eyes'} size={16} silent />
          <Body tiny flexShrink={1} eyes={!stands}>
            {stands
              ? `approved by ${people.name(approved.by)}, ${sayWhen(approved.at, organisation.timeZone)}`
              : `changed since ${sayHours(approved.minutes)} were approved`}
          </Body>
        </Row>
      ) : null}
      {!stands && worked > 0 && !isOpen && person !== me.id ? (
        <Row>
          <Button
            dense
            label={`Approve: ${name}, ${sayHours(worked)}`}
            onPress={() => tell('/api/hours/approvals', { mark })}
          >
            Approve
          </Button>
        </Row>
      ) : null}
      {isOpen ? (
        <Body tiny quiet>
          {days.some(({ isForgotten }) => isForgotten) ? 'a day has no end yet' : 'a day goes on'}
        </Body>
      ) : null}
      {approved ? (
        <Button
          dense
          plain
          label={`Take it back: the approval for ${name}`}
          onPress={() => tell('/api/hours/approvals/removal', {})}
        >
          Take it back
        </Button>
      ) : null}
    </Column>
  );
}
