import { RhythmAnswer, type RoundDraft } from '@ant-trail/contract/rounds';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Mark } from '@/design/mark.tsx';
import { sayDatedDay } from '@/design/say-day.ts';
import { Body, Heading } from '@/design/text.tsx';
import { DayField } from '@/design/when.tsx';
import { useOfficeSearch } from '@/device/office.ts';

export interface DaysAheadProps {
  readonly rhythm: Pick<RoundDraft, 'rule' | 'begins' | 'without' | 'besides' | 'onHolidays'>;
  readonly today: string;
  readonly mayChange: boolean;
  readonly onChange: (to: Partial<Pick<RoundDraft, 'without' | 'besides'>>) => void;
}

const sorted = (days: readonly string[]): string[] => [...new Set(days)].sort();

/** The next days of a round along its trail: each can be left out, others added. */
export function DaysAhead({ rhythm, today, mayChange, onChange }: DaysAheadProps) {
  const [extra, setExtra] = useState('');
  const { rule, begins, without, besides, onHolidays } = rhythm;
  const asked = new URLSearchParams({
    // Without a rhythm nothing is asked for but a day long ago.
    ...{ rule: rule || 'FREQ=DAILY;COUNT=1', begins: rule ? begins : '2000-01-01', onHolidays },
    ...{ without: without.join(), besides: rule ? besides.join() : '', from: today },
  });
  const { answer, looking, problem } = useOfficeSearch(RhythmAnswer, `/api/rounds/days?${asked}`, [
    'round',
  ]);
  const days = rule ? (answer?.days ?? []) : [];
  const left = without.filter((day) => day >= today);
  const leaveOut = (due: string): void =>
    besides.includes(due)
      ? onChange({ besides: besides.filter((day) => day !== due) })
      : onChange({ without: sorted([...without, due]) });
  return (
    <Column gap="$2">
      <Heading>Days ahead</Heading>
      {problem ? <Body eyes>{problem}</Body> : null}
      {!rule ? <Body quiet>Say how often, and the next days stand here.</Body> : null}
      {rule && !looking && days.length === 0 ? <Body quiet>No day lies ahead.</Body> : null}
      <Column role="list" aria-label="Days ahead">
        {days.map(({ due, day }, at) => (
          <Row key={due} role="listitem" alignItems="stretch" gap="$3" minHeight={46}>
            <Column width={22} alignItems="center">
              <Mark name={day === today ? 'next' : 'planned'} size={18} silent />
              {at === days.length - 1 ? null : (
                <Column flex={1} width={0} className="trail-dots" aria-hidden />
              )}
            </Column>
            <Column flex={1}>
              <Body>{sayLongDay(day)}</Body>
              {day === due ? null : (
                <Body small quiet>
                  in place of {sayLongDay(due)}, a holiday
                </Body>
              )}
              {besides.includes(due) ? (
                <Body small quiet>
                  besides the others
                </Body>
              ) : null}
            </Column>
            {mayChange ? (
              // On one line with the day.
              <Column marginTop={-9}>
                <Button
                  dense
                  plain
                  label={`Leave out ${sayLongDay(due)}`}
                  onPress={() => leaveOut(due)}
                >
                  Leave out
                </Button>
              </Column>
            ) : null}
          </Row>
        ))}
      </Column>
      {left.map((day) => (
        <Row key={day} gap="$3">
          <Body small quiet flex={1} style={{ textDecoration: 'line-through' }}>
            {sayLongDay(day)}
          </Body>
          {mayChange ? (
            <Button
              dense
              plain
              label={`Bring back ${sayLongDay(day)}`}
              onPress={() => onChange({ without: without.filter((each) => each !== day) })}
            >
              Bring back
            </Button>
          ) : null}
        </Row>
      ))}
      {mayChange && rule ? (
        <Row gap="$2" alignItems="flex-end">
          <DayField label="One more day" value={extra} onChange={setExtra} />
          <Button
            disabled={!extra}
            onPress={() => {
              onChange({
                besides: sorted([...besides, extra]),
                without: without.filter((day) => day !== extra),
              });
              setExtra('');
            }}
          >
            Add
          </Button>
        </Row>
      ) : null}
    </Column>
  );
}

const sayLongDay = (day: string): string =>
  `${new Intl.DateTimeFormat('en-GB', { weekday: 'short', timeZone: 'UTC' }).format(new Date(`${day}T00:00:00Z`))} ${sayDatedDay(day)}`;
