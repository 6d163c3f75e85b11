import { FindAmong, type FindAmongProps } from '@/design/find-among.tsx';
import type { NamedPerson } from './use-people.ts';

export interface FindPersonProps extends Omit<FindAmongProps, 'options'> {
  readonly people: readonly NamedPerson[];
}

/** A person out of those given, by part of their name or trade. */
export const FindPerson = ({ people, ...field }: FindPersonProps) => (
  <FindAmong
    {...field}
    options={people.map(({ id, name, trade }) => ({ value: id, label: name, about: trade }))}
  />
);
