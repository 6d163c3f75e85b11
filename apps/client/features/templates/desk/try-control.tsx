import { lookedUp } from '@ant-trail/core/catalogues';
import type { AnswerValue } from '@ant-trail/core/log';
import { readNumber } from '@ant-trail/core/measure';
import {
  problemWithAnswer,
  sayState,
  type LookupQuestion,
  type QuestionKind,
  type QuestionState,
} from '@ant-trail/core/sheet';
import { sampleAnswer } from '@ant-trail/core/templates';
import { useState } from 'react';
import { Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Lines, Segments } from '@/design/choose.tsx';
import { Input } from '@/design/input.tsx';
import { DateField } from '@/design/pick.tsx';
import { Body, Figure } from '@/design/text.tsx';
import { useCatalogue } from '@/features/catalogues/desk/use-catalogue.ts';
import { RowSearch } from '@/features/catalogues/row-search.tsx';
import { sayShortDay } from '@/features/planning/wording.ts';

export type Give = (path: string, value: AnswerValue | null, unit?: string) => void;

export interface TryControlProps {
  readonly state: QuestionState;
  readonly give: Give;
}

const YES_NO = [
  { value: 'yes', label: 'Yes' },
  { value: 'no', label: 'No' },
  { value: 'na', label: 'N/A' },
] as const;
const PERFORMED = [
  { value: 'done', label: 'Performed' },
  { value: 'not', label: 'Not performed' },
] as const;

/** What words typed here become, for kinds whose answer is typed. */
const TYPED: Partial<Record<QuestionKind, (text: string) => AnswerValue>> = {
  text: (text) => text,
  phone: (text) => text,
  email: (text) => text,
  moment: (text) => text,
  address: (text) => ({ address: text }),
  code: (text) => ({ code: text, how: 'typed' }),
};

/** A small control to give a question an answer by, as the phone would with its larger one. */
export function TryControl({ state, give }: TryControlProps) {
  const { question, answer, path } = state;
  const single = typeof answer?.value === 'string' ? [answer.value] : [];
  const choose = (value: string): void => give(path, single.includes(value) ? null : value);
  switch (question.kind) {
    case 'yesNo':
      return (
        <Segments
          label={question.label}
          options={YES_NO}
          chosen={single as never}
          onPress={choose}
        />
      );
    case 'performed':
      return (
        <Segments
          label={question.label}
          options={PERFORMED}
          chosen={single as never}
          onPress={choose}
        />
      );
    case 'choice':
      return (
        <Lines
          label={question.label}
          options={question.options.map(({ key, label }) => ({ value: key, label }))}
          chosen={single}
          onPress={choose}
        />
      );
    case 'choices':
      return <TrySeveral state={state} options={question.options} give={give} />;
    case 'acknowledge':
      return (
        <Lines
          several
          label={question.label}
          options={[{ value: 'yes', label: 'Yes, it is so' }]}
          chosen={answer ? ['yes'] : []}
          onPress={() => give(path, answer ? null : true)}
        />
      );
    case 'date':
    case 'time':
      return (
        <DateField
          label={`Try ${question.label}`}
          hideLabel
          type={question.kind}
          value={single[0] ?? ''}
          onChange={(value) => give(path, value || null)}
        />
      );
    case 'lookup':
      return <TryLookup state={state} question={question} give={give} />;
    case 'number':
    case 'instrument':
    case 'percentage':
      return <TryNumber state={state} give={give} />;
    case 'calculated':
      return (
        <Figure small strong>
          {sayState(state, sayShortDay)}
        </Figure>
      );
    default:
      return TYPED[question.kind] ? (
        <TryWords state={state} give={give} />
      ) : (
        <AsIfGiven state={state} give={give} />
      );
  }
}

function TryNumber({ state, give }: TryControlProps) {
  const { question, path } = state;
  const [text, setText] = useState('');
  const unit = 'unit' in question ? question.unit : undefined;
  return (
    <Input
      label={`Try ${question.label}`}
      hideLabel
      kind="decimal"
      value={text}
      onChange={(typed) => {
        setText(typed);
        const read = typed.trim() ? readNumber(typed) : null;
        if (!read) give(path, null);
        else if ('value' in read) give(path, read.value, unit);
      }}
    />
  );
}

function TryWords({ state, give }: TryControlProps) {
  const { question, path } = state;
  const [text, setText] = useState('');
  const value = text.trim() ? (TYPED[question.kind]?.(text.trim()) ?? null) : null;
  const problem = value === null ? null : problemWithAnswer(question, value);
  return (
    <Input
      label={`Try ${question.label}`}
      hideLabel
      value={text}
      problem={problem ?? undefined}
      onChange={(typed) => {
        setText(typed);
        const next = typed.trim() ? (TYPED[question.kind]?.(typed.trim()) ?? null) : null;
        // What can't be an answer is none, as on the phone.
        give(path, next !== null && problemWithAnswer(question, next) === null ? next : null);
      }}
    />
  );
}

function TrySeveral({
  state,
  options,
  give,
}: TryControlProps & { options: readonly { key: string; label: string }[] }) {
  const { question, answer, path } = state;
  const chosen = Array.isArray(answer?.value) ? (answer.value as readonly string[]) : [];
  return (
    <Lines
      several
      label={question.label}
      options={options.map(({ key, label }) => ({ value: key, label }))}
      chosen={chosen}
      onPress={(value) => {
        const next = chosen.includes(value)
          ? chosen.filter((each) => each !== value)
          : [...chosen, value];
        give(path, next.length > 0 ? next : null);
      }}
    />
  );
}

/** Looks in the real catalogue, as the phone will. */
function TryLookup({
  state,
  question,
  give,
}: TryControlProps & { readonly question: LookupQuestion }) {
  const catalogue = useCatalogue(question.catalogue);
  if (state.answer)
    return (
      <Row gap="$2" justifyContent="space-between">
        <Body small>{sayState(state, sayShortDay)}</Body>
        <Button dense plain onPress={() => give(state.path, null)}>
          Take it away
        </Button>
      </Row>
    );
  return catalogue ? (
    <RowSearch
      label={`Try ${question.label}`}
      catalogue={catalogue}
      onChoose={(row) => give(state.path, lookedUp(question.catalogue, row))}
    />
  ) : null;
}

/** Evidence nobody has at a desk: it counts as given once this is pressed. */
function AsIfGiven({ state, give }: TryControlProps) {
  const { question } = state;
  const sample = sampleAnswer(state);
  const rows = question.kind === 'rows';
  const given = !rows && state.tally.answered > 0;
  return (
    <Row gap="$2" justifyContent="space-between" flexWrap="wrap">
      <Body small quiet>
        {sayState(state, sayShortDay)}
      </Body>
      {sample ? (
        <Button
          dense
          label={`${given ? 'Take away' : 'As if given'}: ${question.label}`}
          onPress={() => give(sample.path, given ? null : sample.value)}
        >
          {rows ? `Add ${question.each}` : given ? 'Take it away' : 'As if given'}
        </Button>
      ) : null}
    </Row>
  );
}
