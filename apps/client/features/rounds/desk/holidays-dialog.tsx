import { Holidays, type Holiday } from '@ant-trail/contract/rounds';
import { may } from '@ant-trail/core/accounts';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Notice } from '@/design/notice.tsx';
import { sayDatedDay } from '@/design/say-day.ts';
import { Body } from '@/design/text.tsx';
import { DayField } from '@/design/when.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { useOffice } from '@/device/office.ts';
import { useNow } from '@/device/use-now.ts';
import { useMe } from '@/features/accounts/session.ts';

/** The days nobody works on: rounds are left out on them, or moved. */
export function HolidaysDialog({ onClose }: { onClose: () => void }) {
  const { person, organisation } = useMe();
  const { day: today } = useNow(organisation.timeZone);
  const { answer, problem: unread, again } = useOffice(Holidays, '/api/holidays', ['round']);
  const [day, setDay] = useState('');
  const [name, setName] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const plans = may(person.roles, 'plan');
  const known = answer?.holidays ?? [];
  const ahead = known.filter((holiday) => holiday.day >= today);
  const write = async (holidays: readonly Holiday[]): Promise<boolean> => {
    try {
      await ask(Holidays, 'PUT', '/api/holidays', { holidays });
      setProblem(null);
      again();
      return true;
    } catch (error) {
      setProblem(wordsFor(error));
      return false;
    }
  };
  const add = async (): Promise<void> => {
    if (!day || !name.trim()) return setProblem('Give the day, and what it is called.');
    const others = known.filter((holiday) => holiday.day !== day);
    if (!(await write([...others, { day, name }]))) return;
    setDay('');
    setName('');
  };
  const said = problem ?? unread;
  return (
    <Dialog title="Holidays" onClose={onClose} easy={!day && !name}>
      <Column gap="$3">
        <Body small quiet>
          Each round says what becomes of it on such a day.
        </Body>
        <Column role="list" aria-label="Holidays ahead" gap="$1">
          {answer && ahead.length === 0 ? <Body quiet>None lies ahead.</Body> : null}
          {ahead.map((holiday) => (
            <Row key={holiday.day} role="listitem" gap="$3">
              <Body small width={110}>
                {sayDatedDay(holiday.day)}
              </Body>
              <Body small strong flex={1}>
                {holiday.name}
              </Body>
              {plans ? (
                <Button
                  dense
                  plain
                  label={`Take ${holiday.name} off`}
                  onPress={() => write(known.filter((each) => each.day !== holiday.day))}
                >
                  Take off
                </Button>
              ) : null}
            </Row>
          ))}
        </Column>
        {plans ? (
          <Row gap="$2" alignItems="flex-end" flexWrap="wrap">
            <DayField label="Day" value={day} onChange={setDay} />
            <Input label="What it is called" value={name} onChange={setName} />
            <Button onPress={add}>Add</Button>
          </Row>
        ) : null}
        {said ? (
          <Notice tone="eyes" alert>
            {said}
          </Notice>
        ) : null}
      </Column>
    </Dialog>
  );
}
