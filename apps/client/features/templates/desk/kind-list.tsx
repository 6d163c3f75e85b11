import { QUESTION_KINDS, type QuestionKind } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Input } from '@/design/input.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { Body, Heading } from '@/design/text.tsx';
import { CATEGORIES, KIND_WORDS } from './kind-words.ts';

/** Kinds of question by category; choosing one adds it after the chosen question. */
export function KindList({ onAdd }: { onAdd: (kind: QuestionKind) => void }) {
  const [text, setText] = useState('');
  const wanted = text.trim().toLowerCase();
  const fits = (kind: QuestionKind): boolean =>
    `${KIND_WORDS[kind].name} ${KIND_WORDS[kind].about}`.toLowerCase().includes(wanted);
  const addFirst = (): void => {
    const [first] = CATEGORIES.flatMap((category) =>
      QUESTION_KINDS.filter((kind) => KIND_WORDS[kind].category === category && fits(kind)),
    );
    if (!first || !wanted) return;
    onAdd(first);
    setText('');
  };
  return (
    <Column padding="$3" gap="$2">
      <Input
        label="Find a kind of question"
        help="Alt N leads here, Enter adds the first."
        value={text}
        onChange={setText}
        onEnter={addFirst}
      />
      {CATEGORIES.map((category) => {
        const kinds = QUESTION_KINDS.filter(
          (kind) => KIND_WORDS[kind].category === category && fits(kind),
        );
        return kinds.length === 0 ? null : (
          <Column key={category}>
            <Heading paddingVertical="$1">{category}</Heading>
            {kinds.map((kind) => (
              <PressableRow
                key={kind}
                minHeight={40}
                justifyContent="center"
                onPress={() => onAdd(kind)}
                aria-label={`Add: ${KIND_WORDS[kind].name}`}
              >
                <Body small>{KIND_WORDS[kind].name}</Body>
                {wanted ? (
                  <Body tiny quiet>
                    {KIND_WORDS[kind].about}
                  </Body>
                ) : null}
              </PressableRow>
            ))}
          </Column>
        );
      })}
    </Column>
  );
}
