import { QueueAnswer, type QueueItem } from '@ant-trail/contract/review';
import { may } from '@ant-trail/core/accounts';
import { create } from 'zustand';
import { useOfficeList, type AskedList } from '@/device/office.ts';
import { useMe } from '@/features/accounts/session.ts';

interface Narrowed {
  /** Also what others are named to read. */
  readonly all: boolean;
  readonly text: string;
}

/** How the queue is narrowed: it stays so from one sheet to the next. */
export const useNarrowed = create<Narrowed>(() => ({ all: false, text: '' }));

export interface Queue extends AskedList<QueueItem> {
  /** Whether there is a choice between one's own and all. */
  readonly canBeOwn: boolean;
}

/** What waits to be read, as far as somebody looked into it. */
export function useQueue(): Queue {
  const { person } = useMe();
  const { all, text } = useNarrowed();
  const canBeOwn = may(person.roles, 'review');
  const query = {
    ...(text ? { text } : {}),
    ...(canBeOwn && !all ? { reader: person.id } : {}),
  };
  return {
    ...useOfficeList(QueueAnswer, '/api/review', query, ['visit', 'sheet', 'site']),
    canBeOwn,
  };
}
