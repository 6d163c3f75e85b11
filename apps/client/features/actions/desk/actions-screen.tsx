import { ActionsAnswer, type Action } from '@ant-trail/contract/actions';
import {
  ACTION_STATE_RULES,
  compareActions,
  isActionSettled,
  isOverdue,
} from '@ant-trail/core/actions';
import { daysBetween } from '@ant-trail/core/calendar';
import { severityWord } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Column, Row, Rule } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { DeskPage } from '@/design/desk-page.tsx';
import { Mark } from '@/design/mark.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { Body, Figure, Heading } from '@/design/text.tsx';
import { useOffice } from '@/device/office.ts';
import { useNow } from '@/device/use-now.ts';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { sayShortDay } from '@/features/planning/wording.ts';
import { MoveDialog } from './move-dialog.tsx';

/** What is being done about what was found; overdue first. */
export function ActionsScreen() {
  const { organisation } = useMe();
  const { day } = useNow(organisation.timeZone);
  const { answer, problem, again } = useOffice(ActionsAnswer, '/api/actions', ['action', 'site']);
  const people = usePeople();
  const [opened, setOpened] = useState<string | null>(null);
  const [settled, setSettled] = useState(false);
  const actions = [...(answer?.actions ?? [])].sort(compareActions(day));
  const overdue = actions.filter((action) => isOverdue(action, day));
  const done = actions.filter((action) => action.state === 'done');
  const open = actions.filter(
    (action) =>
      !isOverdue(action, day) && !isActionSettled(action.state) && action.state !== 'done',
  );
  const rest = actions.filter((action) => isActionSettled(action.state));
  const current = actions.find((action) => action.id === opened);
  const groups = [
    { title: 'Overdue', list: overdue },
    { title: 'Done, to be verified', list: done },
    { title: 'Open', list: open },
    ...(settled ? [{ title: 'Settled', list: rest }] : []),
  ];
  return (
    <DeskPage
      title="Actions"
      problem={problem}
      about={
        <Row gap="$3" alignItems="baseline">
          <Figure strong eyes={overdue.length > 0} fontSize="$4">
            {overdue.length}
          </Figure>
          <Body small eyes={overdue.length > 0}>
            overdue
          </Body>
          <Figure strong fontSize="$4">
            {open.length}
          </Figure>
          <Body small>open</Body>
        </Row>
      }
      actions={
        <Button dense onPress={() => setSettled(!settled)}>
          {settled ? 'Hide settled ones' : `Show ${rest.length} settled`}
        </Button>
      }
    >
      {answer && actions.length === 0 ? (
        <Body quiet>No actions yet. They are opened from findings, in the field or at review.</Body>
      ) : null}
      {groups
        .filter(({ list }) => list.length > 0)
        .map(({ title, list }) => (
          <Column key={title}>
            <Heading paddingBottom="$2">{title}</Heading>
            {list.map((action) => (
              <Line
                key={action.id}
                action={action}
                today={day}
                owner={people.name(action.owner)}
                onOpen={() => setOpened(action.id)}
              />
            ))}
          </Column>
        ))}
      {current ? (
        <MoveDialog
          action={current}
          people={people}
          onClose={() => setOpened(null)}
          onMoved={again}
        />
      ) : null}
    </DeskPage>
  );
}

interface LineProps {
  readonly action: Action;
  readonly today: string;
  readonly owner: string;
  readonly onOpen: () => void;
}

function sayDue(action: Action, today: string): string {
  const days = daysBetween(today, action.dueOn);
  if (isOverdue(action, today)) return `${-days} ${days === -1 ? 'day' : 'days'} overdue`;
  if (isActionSettled(action.state) || action.state === 'done')
    return `was due ${sayShortDay(action.dueOn)}`;
  if (days === 0) return 'due today';
  return days < 8
    ? `due in ${days} ${days === 1 ? 'day' : 'days'}`
    : `due ${sayShortDay(action.dueOn)}`;
}

function Line({ action, today, owner, onOpen }: LineProps) {
  const late = isOverdue(action, today);
  return (
    <Column>
      <Rule />
      <PressableRow onPress={onOpen} paddingVertical="$2" justifyContent="center">
        <Row gap="$3" alignSelf="stretch" flexWrap="wrap">
          <Mark name={late ? 'late' : ACTION_STATE_RULES[action.state].mark} silent />
          <Column flex={1} minWidth={260}>
            <Body strong>{action.title}</Body>
            <Body small quiet>
              {action.siteName}
            </Body>
          </Column>
          <Body small width={90}>
            {action.state}
          </Body>
          <Body small width={80}>
            {severityWord(action.severity)}
          </Body>
          <Body small width={150}>
            {owner}
          </Body>
          <Body small strong={late} eyes={late} width={150}>
            {sayDue(action, today)}
          </Body>
        </Row>
      </PressableRow>
    </Column>
  );
}
