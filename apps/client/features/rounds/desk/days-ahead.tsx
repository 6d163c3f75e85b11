import { RhythmAnswer, type RoundDraft } from '@ant-trail/contract/rounds';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Mark } from '@/design/mark.tsx';
import { sayFullDay } from '@/design/say-day.ts';
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
  const { rule, without, besides } = rhythm;
  const left = without.filter((day) => day >= today);
  const leaveOut = (due: string): void =>
    besides.includes(due)
      ? onChange({ besides: besides.filter((day) => day !== due) })
      : onChange({ without: sorted([...without, due]) });
  return (
    <Column gap="$2">
      <Heading>Days ahead</Heading>
      {rule ? (
        <NextDays {...{ rhythm, today }} {...(mayChange ? { onLeaveOut: leaveOut } : {})} />
      ) : (
        <Body quiet>Say how often, and the next days stand here.</Body>
      )}
      {left.map((day) => (
        <Row key={day} gap="$3">
          <Body small quiet flex={1} style={{ textDecoration: 'line-through' }}>
            {sayFullDay(day)}
          </Body>
          {mayChange ? (
            <Button
              dense
              plain
              label={`Bring back ${sayFullDay(day)}`}
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

interface NextDaysProps {
  readonly rhythm: DaysAheadProps['rhythm'];
  readonly today: string;
  readonly onLeaveOut?: (due: string) => void;
}

/** The days the office finds for a rhythm. */
function NextDays({ rhythm, today, onLeaveOut }: NextDaysProps) {
  const { rule, begins, without, besides, onHolidays } = rhythm;
  const asked = new URLSearchParams({
    ...{ rule, begins, onHolidays, from: today },
    ...{ without: without.join(), besides: besides.join() },
  });
  const { answer, looking, problem } = useOfficeSearch(RhythmAnswer, `/api/rounds/days?${asked}`, [
    'round',
  ]);
  const days = answer?.days ?? [];
  return (
    <Column>
      {problem ? <Body eyes>{problem}</Body> : null}
      {!looking && !problem && days.length === 0 ? <Body quiet>No day lies ahead.</Body> : null}
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
              <Body>{sayFullDay(day)}</Body>
              {day === due ? null : (
                <Body small quiet>
                  in place of {sayFullDay(due)}, a holiday
                </Body>
              )}
              {besides.includes(due) ? (
                <Body small quiet>
                  besides the others
                </Body>
              ) : null}
            </Column>
            {onLeaveOut ? (
              // On one line with the day.
              <Column marginTop={-9}>
                <Button
                  dense
                  plain
                  label={`Leave out ${sayFullDay(due)}`}
                  onPress={() => onLeaveOut(due)}
                >
                  Leave out
                </Button>
              </Column>
            ) : null}
          </Row>
        ))}
      </Column>
    </Column>
  );
}
