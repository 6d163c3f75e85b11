import { PeopleNamed } from '@ant-trail/contract/accounts';
import { may } from '@ant-trail/core/accounts';
import { useMemo } from 'react';
import type { z } from 'zod';
import { useOffice } from '@/device/office.ts';

export type NamedPerson = z.infer<typeof PeopleNamed>['people'][number];

export interface People {
  /** Those who work here now. */
  readonly list: readonly NamedPerson[];
  /** Names of those who did, too. */
  readonly name: (id: string | null) => string;
  readonly loaded: boolean;
}

/** The people of the organisation, with their names by id. */
export function usePeople(): People {
  const { answer } = useOffice(PeopleNamed, '/api/people/names', ['person']);
  return useMemo(() => {
    const everybody = answer?.people ?? [];
    const names = new Map(everybody.map((person) => [person.id, person.name]));
    return {
      list: everybody.filter(({ retired }) => !retired),
      name: (id) => (id === null ? 'nobody yet' : (names.get(id) ?? '…')),
      loaded: answer !== undefined,
    };
  }, [answer]);
}

/** Those who may read and approve sheets. */
export function useReaders(): readonly NamedPerson[] {
  const { list } = usePeople();
  return useMemo(() => list.filter(({ roles }) => may(roles, 'review')), [list]);
}
