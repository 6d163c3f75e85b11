import type { TemplateBody } from '@ant-trail/core/sheet';
import { addQuestions, readQuestions, type ReadQuestions } from '@ant-trail/core/templates';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Body, Figure } from '@/design/text.tsx';
import { PickTable } from '@/features/exchange/desk/pick-table.tsx';

export interface ImportQuestionsProps {
  readonly body: TemplateBody;
  readonly onChange: (body: TemplateBody) => void;
}

/** Questions from a spreadsheet: shown first, then put in with one step that can be undone. */
export function ImportQuestions({ body, onChange }: ImportQuestionsProps) {
  const [read, setRead] = useState<ReadQuestions | null>(null);
  const count = read?.sections.reduce((sum, { questions }) => sum + questions.length, 0) ?? 0;
  return (
    <>
      <PickTable
        label="Questions from CSV or XLSX"
        onPicked={({ lines }) => setRead(readQuestions(lines, body))}
      />
      {read ? (
        <Dialog title="Questions from a file" onClose={() => setRead(null)}>
          <Column gap="$3">
            <Body role="status">
              <Figure strong>{count}</Figure> {count === 1 ? 'question' : 'questions'} can be taken
              in
              {read.refused.length > 0 ? `, ${read.refused.length} can’t:` : '.'}
            </Body>
            {read.refused.map(({ line, why }) => (
              <Body key={line} small eyes>
                Line {line}: {why}
              </Body>
            ))}
            <Column maxHeight={260} style={{ overflowY: 'auto' }} tabIndex={0} gap="$1">
              {read.sections.map(({ title, questions }) => (
                <Column key={title}>
                  <Body small strong>
                    {title}
                  </Body>
                  {questions.map(({ key, label }) => (
                    <Body key={key} small>
                      {label}
                    </Body>
                  ))}
                </Column>
              ))}
            </Column>
            <Body small quiet>
              Titles that are known: Question, Section, Kind, Unit, From, To, Choices (with ;
              between them and ! before a bad one), Required, Help.
            </Body>
            <Button
              main
              disabled={count === 0}
              onPress={() => {
                onChange(addQuestions(body, read));
                setRead(null);
              }}
            >
              Put {count} {count === 1 ? 'question' : 'questions'} in
            </Button>
          </Column>
        </Dialog>
      ) : null}
    </>
  );
}
