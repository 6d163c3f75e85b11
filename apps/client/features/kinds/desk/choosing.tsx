import { ownAnswer, ownWords, rulesOf, type Question } from '@ant-trail/core/sheet';
import { Column } from '@/design/box.tsx';
import { Lines, Segments } from '@/design/choose.tsx';
import { Input } from '@/design/input.tsx';
import type { DeskControlProps } from './control.ts';

/** More answers than these stand under each other. */
const BESIDE = 3;

const offersOf = (question: Question) => rulesOf(question).offers?.(question) ?? [];

const takesOwnWords = (question: Question): boolean =>
  'somethingElse' in question && question.somethingElse === true && 'options' in question;

/** One of several answers; pressed again it is taken away. */
export function OneControl({ question, label, value, onGive }: DeskControlProps) {
  const chosen = typeof value === 'string' ? [value] : [];
  const options = offersOf(question);
  const Part = options.length <= BESIDE && !takesOwnWords(question) ? Segments : Lines;
  return (
    <Column gap="$2">
      <Part
        label={label}
        options={options}
        chosen={chosen}
        onPress={(next) => onGive({ value: chosen.includes(next) ? null : next })}
      />
      {takesOwnWords(question) ? (
        <Input
          label="Something else"
          value={ownWords(chosen[0] ?? '') ?? ''}
          onChange={(words) => onGive({ value: words === '' ? null : ownAnswer(words) })}
        />
      ) : null}
    </Column>
  );
}

/** Any number of answers, in the order they are offered. */
export function SeveralControl({ question, label, value, onGive }: DeskControlProps) {
  const chosen = Array.isArray(value) ? (value as readonly string[]) : [];
  const options = offersOf(question);
  const own = chosen.find((each) => ownWords(each) !== null);
  const give = (taken: readonly string[]): void => {
    const next = [
      ...options.map((option) => option.value).filter((each) => taken.includes(each)),
      ...taken.filter((each) => ownWords(each)?.trim()),
    ];
    onGive({ value: next.length > 0 ? next : null });
  };
  return (
    <Column gap="$2">
      <Lines
        several
        label={label}
        options={options}
        chosen={chosen}
        onPress={(each) =>
          give(chosen.includes(each) ? chosen.filter((one) => one !== each) : [...chosen, each])
        }
      />
      {takesOwnWords(question) ? (
        <Input
          label="Something else"
          value={own === undefined ? '' : (ownWords(own) ?? '')}
          onChange={(words) =>
            give([...chosen.filter((each) => each !== own), ...(words ? [ownAnswer(words)] : [])])
          }
        />
      ) : null}
    </Column>
  );
}

export function AcknowledgeControl({ label, value, onGive }: DeskControlProps) {
  return (
    <Lines
      several
      label={label}
      options={[{ value: 'yes', label: 'Yes, it is so' }]}
      chosen={value === null ? [] : ['yes']}
      onPress={() => onGive({ value: value === null ? true : null })}
    />
  );
}
