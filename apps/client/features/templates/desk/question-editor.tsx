import { freeKey } from '@ant-trail/core/logic';
import {
  isAsked,
  isCarried,
  rulesOf,
  SEVERITIES,
  severityWord,
  questionsOf,
  type Question,
  type TemplateBody,
} from '@ant-trail/core/sheet';
import { keysOf, removeQuestion, replaceQuestion } from '@ant-trail/core/templates';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dots } from '@/design/dots.tsx';
import { Input } from '@/design/input.tsx';
import { Pick } from '@/design/pick.tsx';
import { Body, Heading } from '@/design/text.tsx';
import { Tick } from '@/design/tick.tsx';
import { Expression } from './expression.tsx';
import { fieldsOf } from './kind-fields/fields.ts';
import { KIND_WORDS } from './kind-words.ts';
import type { Patch } from './patch.ts';
import { Rules } from './rules.tsx';

export interface QuestionEditorProps {
  readonly body: TemplateBody;
  readonly question: Question;
  readonly onChange: (body: TemplateBody) => void;
  readonly onChoose: (key: string | null) => void;
  /** The chosen question has another key now. */
  readonly onFollow: (key: string) => void;
}

function patched(question: Question, patch: Patch): Question {
  const next: Record<string, unknown> = { ...question, ...patch };
  for (const [field, value] of Object.entries(next)) if (value === undefined) delete next[field];
  return next as unknown as Question;
}

const WHEN = [
  { field: 'visibleWhen', label: 'Asked when' },
  { field: 'requiredWhen', label: 'Must be answered when' },
  { field: 'reasonWhen', label: 'A reason is wanted when' },
  { field: 'photoWhen', label: 'A photo is wanted when' },
] as const;

/** Everything that can be said about one question. */
export function QuestionEditor(props: QuestionEditorProps) {
  const { body, question, onChange, onChoose, onFollow } = props;
  const set = (patch: Patch): void => {
    const next = patched(question, patch);
    onChange(replaceQuestion(body, question.key, next));
    if (next.key !== question.key) onFollow(next.key);
  };
  /** A new question's key is made from its words, once they are written and nothing reads it. */
  const settleKey = (): void => {
    const read = JSON.stringify(body).split(new RegExp(`\\b${question.key}\\b`)).length > 2;
    if (read || !question.key.startsWith('new_question') || !question.label.trim()) return;
    const key = freeKey(question.label, keysOf(body));
    if (!key.startsWith('new_question')) set({ key });
  };
  const asked = isAsked(question);
  const KindFields = fieldsOf(question);
  return (
    <Column padding="$3" gap="$3">
      <Row justifyContent="space-between" gap="$2">
        <Heading>{KIND_WORDS[question.kind].name}</Heading>
        <Row gap="$1">
          <Button dense plain onPress={() => onChoose(null)}>
            Sheet
          </Button>
          <Button
            dense
            plain
            label={`Remove ${question.label}`}
            onPress={() => {
              onChange(removeQuestion(body, question.key));
              onChoose(null);
            }}
          >
            Remove
          </Button>
        </Row>
      </Row>
      <Input
        label="Question"
        value={question.label}
        onChange={(label) => set({ label })}
        onLeave={settleKey}
        autoFocus
      />
      <Input
        label="Help below it"
        value={question.help ?? ''}
        onChange={(help) => set({ help: help || undefined })}
      />
      <Body small quiet>
        Called {question.key} in expressions.
      </Body>
      {KindFields ? <KindFields body={body} question={question} set={set} /> : null}
      <Dots />
      <Heading>When</Heading>
      {asked ? (
        <Tick
          label="Must be answered"
          on={question.required}
          onPress={() => set({ required: !question.required })}
        />
      ) : null}
      {WHEN.filter(({ field }) => asked || field === 'visibleWhen').map(({ field, label }) =>
        field === 'requiredWhen' && question.required ? null : (
          <Expression
            key={field}
            label={label}
            body={body}
            question={question}
            value={question[field]}
            onChange={(value) => set({ [field]: value })}
            compose
          />
        ),
      )}
      {asked ? (
        <>
          <Expression
            label="Suggested answer"
            body={body}
            question={question}
            value={question.suggest}
            onChange={(suggest) => set({ suggest })}
          />
          <Pick
            label="Follows from"
            value={question.follows ?? ''}
            options={[
              { value: '', label: 'no other question' },
              ...questionsOf(body)
                .filter(({ key, kind }) => key !== question.key && kind !== 'rows')
                .map(({ key, label }) => ({ value: key, label })),
            ]}
            onChange={(follows) => set({ follows: follows || undefined })}
          />
          <Tick
            label="Its answer is offered at the next visit"
            on={isCarried(question)}
            onPress={() => set({ carries: !isCarried(question) })}
          />
          <Tick
            label="Never closed out as a blank"
            on={question.neverBlank === true}
            onPress={() => set({ neverBlank: question.neverBlank ? undefined : true })}
          />
        </>
      ) : null}
      {rulesOf(question).judged ? (
        <>
          <Dots />
          <WhenAmissEditor question={question} set={set} />
        </>
      ) : null}
      <Dots />
      <Rules body={body} question={question} set={set} />
    </Column>
  );
}

function WhenAmissEditor({ question, set }: { question: Question; set: (patch: Patch) => void }) {
  const amiss = question.whenAmiss ?? {};
  const change = (patch: Patch): void => {
    const next: Record<string, unknown> = { ...amiss, ...patch };
    for (const [field, value] of Object.entries(next))
      if (value === undefined || value === false || value === '') delete next[field];
    set({ whenAmiss: Object.keys(next).length > 0 ? next : undefined });
  };
  return (
    <Column gap="$2">
      <Heading>When it is not as it should be</Heading>
      <Row gap="$2" flexWrap="wrap">
        <Tick
          label="ask why"
          on={amiss.reason === true}
          onPress={() => change({ reason: !amiss.reason })}
        />
        <Tick
          label="ask for a photo"
          on={amiss.photo === true}
          onPress={() => change({ photo: !amiss.photo })}
        />
      </Row>
      <Pick
        label="How bad it is"
        value={String(amiss.severity ?? '')}
        options={[
          { value: '', label: 'as the kind of question says' },
          ...SEVERITIES.map((each) => ({ value: String(each), label: severityWord(each) })),
        ]}
        onChange={(value) => change({ severity: value === '' ? undefined : Number(value) })}
      />
      <Input
        label="Corrective action it proposes"
        value={amiss.action ?? ''}
        onChange={(action) => change({ action })}
      />
    </Column>
  );
}
