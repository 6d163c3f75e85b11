import { PeopleNamed } from '@ant-trail/contract/accounts';
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
