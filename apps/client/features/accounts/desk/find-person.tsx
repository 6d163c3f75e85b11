import { useState } from 'react';
import { Find, fitting } from '@/design/find.tsx';
import type { NamedPerson } from './use-people.ts';

const OFFERED = 30;

export interface FindPersonProps {
  readonly label: string;
  readonly people: readonly NamedPerson[];
  readonly chosen: string | null;
  readonly onChoose: (id: string | null) => void;
  readonly empty?: string;
  readonly problem?: string | undefined;
}

/** A person out of those given, by part of their name or trade. */
export function FindPerson({ label, people, chosen, onChoose, empty, problem }: FindPersonProps) {
  const [words, setWords] = useState('');
  const options = people.map(({ id, name, trade }) => ({ value: id, label: name, about: trade }));
  const fits = fitting(options, words);
  return (
    <Find
      label={label}
      chosen={options.find(({ value }) => value === chosen) ?? null}
      options={fits.slice(0, OFFERED)}
      more={fits.length - OFFERED}
      onWords={setWords}
      onChoose={(option) => onChoose(option?.value ?? null)}
      {...(empty ? { empty } : {})}
      problem={problem}
    />
  );
}
