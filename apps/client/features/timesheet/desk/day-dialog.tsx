import { DayOfPerson, type ClockSaid } from '@ant-trail/contract/timesheet';
import { clockDay } from '@ant-trail/core/timesheet';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Dots } from '@/design/dots.tsx';
import { sayDay, sayWhen } from '@/design/say-day.ts';
import { Body, Figure, Heading } from '@/design/text.tsx';
import { useOffice } from '@/device/office.ts';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { CLOCK_WORDS, sayClock, sayHours } from '../clock-words.ts';
import { Mend } from './mend.tsx';
import { MendStop } from './mend-stop.tsx';

/** In place of an entry or a stop: something that was not said at all. */
const NEW = 'new';

export interface DayDialogProps {
  readonly person: string;
  readonly name: string;
  readonly day: string;
  readonly onClose: () => void;
}

/** A day of somebody: all that was said of it, by whom, and where they were; put right with a reason. */
export function DayDialog({ person, name, day, onClose }: DayDialogProps) {
  const { organisation } = useMe();
  const { timeZone } = organisation;
  const people = usePeople();
  const { answer, problem } = useOffice(DayOfPerson, `/api/hours/${person}/${day}`, [
    ...(['hours', 'visit'] as const),
  ]);
  const [mending, setMending] = useState<ClockSaid | string | null>(null);
  const entries = answer?.entries ?? [];
  const clock = clockDay(entries);
  const odd = new Set(clock.odd);
  const counts = new Set(clock.steps.map(({ id }) => id));
  const before = entries.filter(({ id }) => !counts.has(id));
  return (
    <Dialog title={`${name}, ${sayDay(day)}`} onClose={onClose} easy={mending === null}>
      <Column gap="$3">
        {problem ? (
          <Body eyes role="alert">
            {problem}
          </Body>
        ) : null}
        {answer && clock.steps.length === 0 ? (
          <Body quiet>Nothing was said of this day.</Body>
        ) : null}
        {clock.steps.map((entry) => (
          <Row key={entry.id} gap="$3" alignItems="flex-start">
            <Figure>{sayClock(entry.at, timeZone)}</Figure>
            <Column flex={1}>
              <Body eyes={odd.has(entry.id)}>
                {entry.step ? CLOCK_WORDS[entry.step] : ''}
                {odd.has(entry.id) ? ': that can’t be' : ''}
              </Body>
              {entry.reason ? (
                <Body small quiet>
                  “{entry.reason}”, {people.name(entry.by)}, {sayWhen(entry.saidAt, timeZone)}
                </Body>
              ) : null}
            </Column>
            <Button
              dense
              label={`Put right: ${entry.step ? CLOCK_WORDS[entry.step] : ''} ${sayClock(entry.at, timeZone)}`}
              onPress={() => setMending(entry)}
            >
              Put right
            </Button>
          </Row>
        ))}
        {mending === NEW || (mending && typeof mending === 'object') ? (
          <Mend
            key={typeof mending === 'string' ? mending : mending.id}
            {...{ person, day, began: clock.spans[0]?.from ?? null }}
            entry={typeof mending === 'string' ? null : mending}
            onDone={() => setMending(null)}
          />
        ) : (
          <Row>
            <Button dense onPress={() => setMending(NEW)}>
              Add something
            </Button>
          </Row>
        )}
        {(answer?.visits ?? []).length > 0 ? (
          <>
            <Dots />
            <Heading>Stops</Heading>
            {answer?.visits.map((stop) => (
              <Column key={stop.visit} gap="$2">
                <Row gap="$3" alignItems="flex-start">
                  <Column flex={1}>
                    <Body>
                      {stop.siteName}
                      {stop.from
                        ? ` ${sayClock(stop.from, timeZone)}–${stop.to ? sayClock(stop.to, timeZone) : ''}`
                        : ''}
                    </Body>
                    <Body small quiet>
                      {sayHours(stop.onSite)} there, {sayHours(stop.onWay)} on the way
                      {stop.reason ? ` · put right: “${stop.reason}”` : ''}
                    </Body>
                  </Column>
                  <Button
                    dense
                    label={`Put right: ${stop.siteName}`}
                    onPress={() => setMending(stop.visit)}
                  >
                    Put right
                  </Button>
                </Row>
                {mending === stop.visit ? (
                  <MendStop {...{ day, stop }} onDone={() => setMending(null)} />
                ) : null}
              </Column>
            ))}
          </>
        ) : null}
        {before.length > 0 ? (
          <>
            <Dots />
            <Heading>Said before, and put right since</Heading>
            {before.map((entry) => (
              <Body key={entry.id} small quiet>
                {sayClock(entry.at, timeZone)}{' '}
                {entry.step ? CLOCK_WORDS[entry.step] : `struck out (“${entry.reason ?? ''}”)`},{' '}
                {people.name(entry.by)}, {sayWhen(entry.saidAt, timeZone)}
              </Body>
            ))}
          </>
        ) : null}
      </Column>
    </Dialog>
  );
}
