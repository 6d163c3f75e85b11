import { TemplatesAnswer } from '@ant-trail/contract/templates';
import type { Question, TemplateBody } from '@ant-trail/core/sheet';
import { copyOf, keysOf, newQuestion, questionBank } from '@ant-trail/core/templates';
import { useMemo, useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Segments } from '@/design/choose.tsx';
import { Input } from '@/design/input.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { Body, Heading } from '@/design/text.tsx';
import { useOfficeHere } from '@/device/office-here.ts';
import { KindList } from './kind-list.tsx';
import { KIND_WORDS } from './kind-words.ts';

const FIELDS = 'question-source';
const SOURCES = [
  { value: 'kinds', label: 'New' },
  { value: 'asked', label: 'Known' },
] as const;

export interface QuestionSourceProps {
  readonly body: TemplateBody;
  readonly onAdd: (question: Question) => void;
}

/** Where a question comes from: a kind, to be worded, or one that another template asks. */
export function QuestionSource({ body, onAdd }: QuestionSourceProps) {
  const [source, setSource] = useState<(typeof SOURCES)[number]['value']>('kinds');
  return (
    <Column id={FIELDS}>
      <Column padding="$3" paddingBottom={0}>
        <Segments
          label="Where questions come from"
          options={SOURCES}
          chosen={[source]}
          onPress={setSource}
        />
      </Column>
      {source === 'kinds' ? (
        <KindList onAdd={(kind) => onAdd(newQuestion(kind, body))} />
      ) : (
        <Bank onAdd={(question) => onAdd(copyOf(question, keysOf(body)))} />
      )}
    </Column>
  );
}

/** Every question of the published templates, by template, found by its words. */
function Bank({ onAdd }: { onAdd: (question: Question) => void }) {
  const { answer } = useOfficeHere(TemplatesAnswer, '/api/templates');
  const [text, setText] = useState('');
  const bank = useMemo(
    () => questionBank((answer?.templates ?? []).map(({ body }) => body)),
    [answer],
  );
  const wanted = text.trim().toLowerCase();
  const shown = bank.filter(({ question, category }) =>
    `${question.label} ${category} ${KIND_WORDS[question.kind].name}`
      .toLowerCase()
      .includes(wanted),
  );
  const categories = [...new Set(shown.map(({ category }) => category))];
  return (
    <Column padding="$3" gap="$2">
      <Input label="Find a question" value={text} onChange={setText} />
      {categories.map((category) => (
        <Column key={category}>
          <Heading paddingVertical="$1">{category}</Heading>
          {shown
            .filter((each) => each.category === category)
            .map(({ question }) => (
              <PressableRow
                key={`${question.key} ${question.label}`}
                minHeight={44}
                paddingVertical="$1"
                justifyContent="center"
                gap={0}
                onPress={() => onAdd(question)}
              >
                <Body small>{question.label}</Body>
                <Body tiny quiet>
                  {KIND_WORDS[question.kind].name}
                </Body>
                <span className="unseen">: add it</span>
              </PressableRow>
            ))}
        </Column>
      ))}
      {answer && shown.length === 0 ? <Body quiet>No question reads like that.</Body> : null}
    </Column>
  );
}
