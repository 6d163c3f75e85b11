import type { Dossier } from '@ant-trail/contract/review';
import { lookedUp, type CatalogueRow } from '@ant-trail/core/catalogues';
import type { AnswerValue } from '@ant-trail/core/log';
import { readNumber, writeUnit } from '@ant-trail/core/measure';
import {
  problemWithAnswer,
  sayState,
  type QuestionKind,
  type QuestionState,
} from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Lines } from '@/design/choose.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { DateField } from '@/design/pick.tsx';
import { Body } from '@/design/text.tsx';
import { wordsFor } from '@/device/api.ts';
import { useCatalogue } from '@/features/catalogues/desk/use-catalogue.ts';
import { RowSearch } from '@/features/catalogues/row-search.tsx';
import { sayShortDay } from '@/features/planning/wording.ts';
import { useMe } from '@/features/accounts/session.ts';
import { DeskRefusal, writeFromDesk } from './desk-entries.ts';
import { PassHere } from './pass-here.tsx';
import type { ReadingState } from './read-dossier.ts';

export interface CorrectDialogProps {
  readonly dossier: Dossier;
  readonly reading: ReadingState;
  readonly state: QuestionState;
  readonly onClose: () => void;
  readonly onDone: () => void;
}

const YES_NO = [
  { value: 'yes', label: 'Yes' },
  { value: 'no', label: 'No' },
  { value: 'na', label: 'Not applicable' },
];

const PERFORMED = [
  { value: 'done', label: 'Performed' },
  { value: 'not', label: 'Not performed' },
];
/** Kinds whose right value is written. Evidence is not corrected: it is asked for again. */
const TYPED: ReadonlySet<QuestionKind> = new Set<QuestionKind>([
  'number',
  'instrument',
  'percentage',
  'text',
  'phone',
  'email',
  'date',
  'time',
  'moment',
  'address',
  'code',
]);

/** Corrects a value with a reason; what was there stays in the history. */
export function CorrectDialog({ dossier, reading, state, onClose, onDone }: CorrectDialogProps) {
  const { person } = useMe();
  const { question } = state;
  const [text, setText] = useState('');
  const [chosen, setChosen] = useState<string[]>([]);
  const [row, setRow] = useState<CatalogueRow | null>(null);
  const catalogue = useCatalogue(question.kind === 'lookup' ? question.catalogue : '');
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const { path } = state;

  const options =
    question.kind === 'yesNo'
      ? YES_NO
      : question.kind === 'performed'
        ? PERFORMED
        : question.kind === 'choice' || question.kind === 'choices'
          ? question.options.map(({ key, label }) => ({ value: key, label }))
          : null;
  const looksUp = question.kind === 'lookup' ? question : null;
  const correctable = options !== null || looksUp !== null || TYPED.has(question.kind);
  const isQuantity = question.kind === 'number' || question.kind === 'instrument';

  const valueOf = (): { value: AnswerValue } | { problem: string } => {
    if (options) {
      const [first] = chosen;
      if (question.kind === 'choices') return { value: chosen };
      return first ? { value: first } : { problem: 'Choose the right answer.' };
    }
    if (looksUp)
      return row
        ? { value: lookedUp(looksUp.catalogue, row) }
        : { problem: 'Choose the right row.' };
    if (isQuantity || question.kind === 'percentage') return readNumber(text);
    if (!text.trim()) return { problem: 'Write the right answer.' };
    if (question.kind === 'code') return { value: { code: text.trim(), how: 'typed' } };
    if (question.kind === 'address') return { value: { address: text.trim() } };
    return { value: text.trim() };
  };
  const send = async () => {
    const read = valueOf();
    if ('problem' in read) return setProblem(read.problem);
    const wrong = problemWithAnswer(question, read.value);
    if (wrong) return setProblem(wrong);
    if (!reason.trim()) return setProblem('Say why the value is corrected.');
    try {
      await writeFromDesk({
        sheet: dossier.sheet.id,
        path,
        kind: 'correct',
        value: read.value,
        ...(isQuantity ? { unit: question.unit } : {}),
        reason: reason.trim(),
        seen: reading.open.headsOf(path),
        by: person.id,
      });
      onDone();
    } catch (error) {
      setProblem(error instanceof DeskRefusal ? error.message : wordsFor(error));
    }
    return undefined;
  };
  const toggle = (value: string): void =>
    setChosen((before) =>
      question.kind !== 'choices'
        ? [value]
        : before.includes(value)
          ? before.filter((each) => each !== value)
          : [...before, value],
    );
  return (
    <Dialog title={`Correct: ${question.label}`} onClose={onClose}>
      <Column gap="$3">
        <Body>Now: {sayState(state, sayShortDay)}</Body>
        {question.kind === 'hold' ? (
          <PassHere
            sheet={dossier.sheet.id}
            state={state}
            seen={reading.open.headsOf(path)}
            onDone={onDone}
          />
        ) : !correctable ? (
          <Body quiet>
            Photos, signatures and acknowledgements are not corrected here. Return the sheet
            instead.
          </Body>
        ) : (
          <>
            {options ? (
              <Lines
                label="The right answer"
                several={question.kind === 'choices'}
                options={options}
                chosen={chosen}
                onPress={toggle}
              />
            ) : looksUp ? (
              row ? (
                <Row gap="$3" justifyContent="space-between">
                  <Body strong>{row.label}</Body>
                  <Button dense plain onPress={() => setRow(null)}>
                    Look again
                  </Button>
                </Row>
              ) : catalogue ? (
                <RowSearch label="The right row" catalogue={catalogue} onChoose={setRow} />
              ) : null
            ) : question.kind === 'date' ? (
              <DateField label="The right day" type="date" value={text} onChange={setText} />
            ) : (
              <Input
                label={`The right value${isQuantity ? `, in ${writeUnit(question.unit)}` : ''}`}
                kind={isQuantity || question.kind === 'percentage' ? 'decimal' : 'text'}
                value={text}
                onChange={setText}
                autoFocus
              />
            )}
            <Input label="Why?" value={reason} onChange={setReason} />
            {problem ? (
              <Body small eyes strong role="alert">
                {problem}
              </Body>
            ) : null}
            <Button main onPress={() => void send()}>
              Correct it
            </Button>
          </>
        )}
      </Column>
    </Dialog>
  );
}
