import { writeUnit } from '@ant-trail/core/measure';
import { problemWithAnswer, rulesOf, sayAnswer, type Question } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Input } from '@/design/input.tsx';
import type { DeskControlProps, Given } from './control.ts';

const unitOf = (question: Question): string | undefined => rulesOf(question).units?.(question)[0];

/** What typed words come to: an answer in the question's own unit, or what is wrong with them. */
function read(question: Question, text: string): Given {
  const words = text.trim();
  if (words === '') return { value: null };
  const typed = rulesOf(question).readTyped?.(question, words) ?? { value: words };
  if ('problem' in typed) return typed;
  const problem = problemWithAnswer(question, typed.value);
  if (problem !== null) return { problem };
  const unit = unitOf(question);
  return { value: typed.value, ...(unit === undefined ? {} : { unit }) };
}

/** An answer that is written: words, a number, a code by what is printed on it. */
export function TypedControl(props: DeskControlProps) {
  const { question, label, hideLabel = false, value, unit, onGive } = props;
  const [text, setText] = useState(() =>
    value === null ? '' : sayAnswer(question, value, unit ?? unitOf(question)),
  );
  const given = read(question, text);
  const written = writeUnit(unitOf(question) ?? '');
  return (
    <Input
      label={written && !hideLabel ? `${label}, in ${written}` : label}
      hideLabel={hideLabel}
      {...(written && hideLabel ? { help: `In ${written}` } : {})}
      kind={rulesOf(question).celType === 'double' ? 'decimal' : 'text'}
      value={text}
      problem={'problem' in given ? given.problem : undefined}
      onChange={(typed) => {
        setText(typed);
        onGive(read(question, typed));
      }}
    />
  );
}
