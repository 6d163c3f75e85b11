import { PeopleAnswer, type Person } from '@ant-trail/contract/accounts';
import { useMemo } from 'react';
import { useOffice } from '@/device/office.ts';

export interface People {
  readonly list: readonly Person[];
  readonly name: (id: string | null) => string;
  readonly loaded: boolean;
}

/** The people of the organisation, with their names by id. */
export function usePeople(): People {
  const { answer } = useOffice(PeopleAnswer, '/api/people');
  return useMemo(() => {
    const list = answer?.people ?? [];
    const names = new Map(list.map((person) => [person.id, person.name]));
    return {
      list,
      name: (id) => (id === null ? 'nobody yet' : (names.get(id) ?? '…')),
      loaded: answer !== undefined,
    };
  }, [answer]);
}
