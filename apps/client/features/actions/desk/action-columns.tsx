import type { Action } from '@ant-trail/contract/actions';
import { ACTION_STATE_RULES, isActionSettled, isOverdue } from '@ant-trail/core/actions';
import { daysBetween } from '@ant-trail/core/calendar';
import { severityWord } from '@ant-trail/core/sheet';
import { Row } from '@/design/box.tsx';
import { Mark } from '@/design/mark.tsx';
import { sayShortDay } from '@/design/say-day.ts';
import { Body } from '@/design/text.tsx';
import type { People } from '@/features/accounts/desk/use-people.ts';
import type { ListColumn } from '@/features/lists/desk/office-list.tsx';

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

/** What a list of actions shows of each. */
export const actionColumns = (people: People, today: string): readonly ListColumn<Action>[] => [
  {
    id: 'action',
    label: 'Action',
    cell: ({ title }) => <Body strong>{title}</Body>,
  },
  {
    id: 'place',
    label: 'Place',
    order: 'place',
    width: 210,
    cell: ({ siteName }) => <Body small>{siteName}</Body>,
  },
  {
    id: 'state',
    label: 'State',
    width: 120,
    cell: (action) => (
      <Row gap="$2">
        <Mark
          name={isOverdue(action, today) ? 'late' : ACTION_STATE_RULES[action.state].mark}
          silent
        />
        <Body small>{action.state}</Body>
      </Row>
    ),
  },
  {
    id: 'severity',
    label: 'How bad',
    order: 'severity',
    width: 110,
    cell: ({ severity }) => <Body small>{severityWord(severity)}</Body>,
  },
  {
    id: 'owner',
    label: 'Owner',
    width: 140,
    cell: ({ owner }) => <Body small>{people.name(owner)}</Body>,
  },
  {
    id: 'due',
    label: 'Due',
    order: 'due',
    width: 150,
    cell: (action) => {
      const late = isOverdue(action, today);
      return (
        <Body small strong={late} eyes={late}>
          {sayDue(action, today)}
        </Body>
      );
    },
  },
];
