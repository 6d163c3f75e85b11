import { DayOfPerson, TimeReason, type ClockSaid } from '@ant-trail/contract/timesheet';
import { inZone, readMinute, sayMinute } from '@ant-trail/core/calendar';
import { CLOCK_STEPS, clockDay, type ClockStep } from '@ant-trail/core/timesheet';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Dots } from '@/design/dots.tsx';
import { Input } from '@/design/input.tsx';
import { Pick } from '@/design/pick.tsx';
import { sayDay, sayWhen } from '@/design/say-day.ts';
import { Body, Figure, Heading } from '@/design/text.tsx';
import { TimeField, WRITE_A_TIME } from '@/design/when.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { newId } from '@/device/identity.ts';
import { useOffice } from '@/device/office.ts';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { CLOCK_WORDS, sayClock, sayHours } from '../clock-words.ts';
import { instantSaid } from '../when-said.ts';

const STEPS = CLOCK_STEPS.map((value) => ({ value, label: CLOCK_WORDS[value] }));

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
  const [mending, setMending] = useState<ClockSaid | 'new' | null>(null);
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
        {mending ? (
          <Mend
            key={mending === 'new' ? 'new' : mending.id}
            {...{ person, day, began: clock.spans[0]?.from ?? null }}
            entry={mending === 'new' ? null : mending}
            onDone={() => setMending(null)}
          />
        ) : (
          <Row>
            <Button dense onPress={() => setMending('new')}>
              Add something
            </Button>
          </Row>
        )}
        {(answer?.visits ?? []).length > 0 ? (
          <>
            <Dots />
            <Heading>Stops</Heading>
            {answer?.visits.map(({ visit, siteName, from, to, onWay, onSite, reason }) => (
              <Column key={visit}>
                <Body>
                  {siteName}
                  {from ? ` ${sayClock(from, timeZone)}–${to ? sayClock(to, timeZone) : ''}` : ''}
                </Body>
                <Body small quiet>
                  {sayHours(onSite)} there, {sayHours(onWay)} on the way
                  {reason ? ` · put right: “${reason}”` : ''}
                </Body>
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

interface MendProps {
  readonly person: string;
  readonly day: string;
  readonly began: string | null;
  readonly entry: ClockSaid | null;
  readonly onDone: () => void;
}

function Mend({ person, day, began, entry, onDone }: MendProps) {
  const { person: me, organisation } = useMe();
  const { timeZone } = organisation;
  const [step, setStep] = useState<ClockStep>(entry?.step ?? 'ended');
  const [time, setTime] = useState(
    entry ? sayMinute(inZone(new Date(entry.at), timeZone).minute) : '',
  );
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async (kept: ClockStep | null): Promise<void> => {
    const minute = readMinute(time);
    const why = TimeReason.safeParse(reason);
    if (minute === null || !why.success) {
      setProblem(minute === null ? WRITE_A_TIME : (why.error?.issues[0]?.message ?? ''));
      return;
    }
    const at = instantSaid(day, minute, timeZone, step === 'began' ? null : began);
    const now = new Date().toISOString();
    try {
      await ask(DayOfPerson, 'POST', '/api/hours/entries', {
        ...{ id: newId(), person, day, step: kept, at: kept === null && entry ? entry.at : at },
        ...{ insteadOf: entry?.id ?? null, reason: why.data, by: me.id, saidAt: now },
      });
      onDone();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  return (
    <Column gap="$3" role="group" aria-label={entry ? 'Put it right' : 'Add something'}>
      <Row gap="$3" alignItems="flex-end">
        <Pick
          label="What it is"
          value={step}
          options={STEPS}
          onChange={(next) => setStep(CLOCK_STEPS.find((each) => each === next) ?? step)}
        />
        <TimeField label="When" value={time} onChange={setTime} />
      </Row>
      <Input label="Why" value={reason} onChange={setReason} lines={2} />
      {problem ? (
        <Body small eyes role="alert">
          {problem}
        </Body>
      ) : null}
      <Row gap="$2" flexWrap="wrap">
        <Button main onPress={() => keep(step)}>
          Keep it
        </Button>
        {entry ? <Button onPress={() => keep(null)}>Strike it out</Button> : null}
        <Button plain onPress={onDone}>
          Leave it
        </Button>
      </Row>
    </Column>
  );
}
