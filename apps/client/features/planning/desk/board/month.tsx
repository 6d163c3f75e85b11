import { CalendarAnswer, type CalendarDay } from '@ant-trail/contract/planning/desk';
import { addDays } from '@ant-trail/core/calendar';
import { hoursOn } from '@ant-trail/core/planning/board';
import { View } from '@tamagui/core';
import { useMemo } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { useTwoSides } from '@/design/sides.ts';
import { sayDay, sayShortDay } from '@/design/say-day.ts';
import { Body, Figure } from '@/design/text.tsx';
import { Unseen } from '@/design/unseen.tsx';
import { useOffice } from '@/device/office.ts';
import type { PersonHours } from './board-stops.ts';
import { LoadBar } from './load-bar.tsx';

const WEEKS = 6;
const WEEK_DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

export interface MonthProps {
  /** The Monday of its first week. */
  readonly from: string;
  /** “2031-04”. */
  readonly month: string;
  readonly today: string;
  readonly hours: readonly PersonHours[];
  readonly onDay: (day: string) => void;
}

/** A month: what each day comes to against everybody’s hours, and what nobody has yet. */
export function Month({ from, month, today, hours, onDay }: MonthProps) {
  const { answer, problem } = useOffice(
    CalendarAnswer,
    `/api/calendar?from=${from}&days=${WEEKS * 7}`,
    ['visit', 'sheet'],
  );
  const pad = useTwoSides() ? '$2' : '$1';
  const known = useMemo(
    () => new Map((answer?.days ?? []).map((each) => [each.day, each])),
    [answer],
  );
  const weeks = Array.from({ length: WEEKS }, (_, week) =>
    WEEK_DAYS.map((_day, at) => addDays(from, week * 7 + at)),
  ).filter((days) => days.some((day) => day.startsWith(month)));
  return (
    <Column role="table" aria-label="The month" marginTop="$3">
      {problem ? (
        <Body eyes strong role="alert">
          {problem}
        </Body>
      ) : null}
      <Row role="row">
        {WEEK_DAYS.map((name) => (
          <View key={name} role="columnheader" flex={1} padding={pad}>
            <Body small quiet>
              {name}
            </Body>
          </View>
        ))}
      </Row>
      {weeks.map((days) => (
        <Row key={days[0]} role="row" alignItems="stretch">
          {days.map((day) => (
            <DayOfMonth
              key={day}
              day={day}
              known={known.get(day)}
              hours={hours}
              outside={!day.startsWith(month)}
              isToday={day === today}
              onPress={() => onDay(day)}
            />
          ))}
        </Row>
      ))}
    </Column>
  );
}

const monthOf = (day: string): string => sayShortDay(day).split(' ').at(-1) ?? '';

interface DayOfMonthProps {
  readonly day: string;
  readonly known: CalendarDay | undefined;
  readonly hours: readonly PersonHours[];
  readonly outside: boolean;
  readonly isToday: boolean;
  readonly onPress: () => void;
}

function DayOfMonth({ day, known, hours, outside, isToday, onPress }: DayOfMonthProps) {
  const twoSides = useTwoSides();
  const there = hours.map((each) => hoursOn(each, day));
  const minutes = there.reduce<number>((sum, each) => sum + (each ?? 0), 0);
  const counted = there.some((each) => each !== null);
  const stops = known?.stops ?? 0;
  const words = [
    stops === 0 ? '' : `${stops} ${stops === 1 ? 'stop' : 'stops'}`,
    known && known.done > 0 ? (known.done === stops ? 'all done' : `${known.done} done`) : '',
  ].filter(Boolean);
  const alone = known?.withoutPerson ?? 0;
  return (
    <View
      role="cell"
      flex={1}
      minHeight={96}
      borderTopWidth={1}
      borderLeftWidth={1}
      borderColor="$rule"
      backgroundColor={isToday ? '$sheet' : 'transparent'}
    >
      <View
        render="button"
        flexGrow={1}
        padding={twoSides ? '$2' : '$1'}
        gap={2}
        alignItems="flex-start"
        cursor="pointer"
        hoverStyle={{ backgroundColor: '$touch' }}
        onPress={onPress}
      >
        <Unseen>{`${sayDay(day)}, `}</Unseen>
        <Row gap="$1" alignItems="baseline" flexWrap="wrap">
          <Figure strong={isToday} quiet={outside}>
            {`${Number(day.slice(8))} `}
          </Figure>
          {outside ? (
            <Body tiny quiet>
              {`${monthOf(day)} `}
            </Body>
          ) : null}
          {isToday ? <Body tiny>{'today '}</Body> : null}
        </Row>
        {words.map((each) => (
          <Body key={each} tiny quiet={outside}>
            {`${each} `}
          </Body>
        ))}
        {known && counted ? (
          <LoadBar
            load={{ work: known.minutes, travel: 0, hours: minutes }}
            width={twoSides ? 84 : 36}
          />
        ) : null}
        {alone > 0 ? (
          <Body tiny strong eyes>
            {alone} without a person
          </Body>
        ) : null}
      </View>
    </View>
  );
}
