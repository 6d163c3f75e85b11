import { useState } from 'react';
import { Find, fitting, type FindOption, type FindProps } from './find.tsx';

const OFFERED = 30;

export interface FindAmongProps extends Pick<FindProps, 'label' | 'empty' | 'problem'> {
  readonly options: readonly FindOption[];
  readonly chosen: string | null;
  readonly onChoose: (value: string | null) => void;
}

/** One out of a list that is at hand, by part of its name. */
export function FindAmong({ options, chosen, onChoose, ...field }: FindAmongProps) {
  const [words, setWords] = useState('');
  const fits = fitting(options, words);
  return (
    <Find
      {...field}
      chosen={options.find(({ value }) => value === chosen) ?? null}
      options={fits.slice(0, OFFERED)}
      more={fits.length - OFFERED}
      onWords={setWords}
      onChoose={(option) => onChoose(option?.value ?? null)}
    />
  );
}
