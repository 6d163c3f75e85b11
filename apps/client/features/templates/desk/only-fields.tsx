import { rulesOf, type FollowUp, type Question, type TemplateBody } from '@ant-trail/core/sheet';
import { Pick } from '@/design/pick.tsx';

interface OnlyFieldsProps {
  readonly body: TemplateBody;
  readonly rule: FollowUp;
  readonly onChange: (body: TemplateBody) => void;
}

const offersOf = (question: Question) => rulesOf(question).offers?.(question) ?? [];

/** What follows may depend on one answer, of a question that offers a few. */
export function OnlyFields({ body, rule, onChange }: OnlyFieldsProps) {
  const { only, ...always } = rule;
  const questions = body.sections
    .flatMap((section) => section.questions)
    .filter((question) => offersOf(question).length > 0);
  if (questions.length === 0 && !only) return null;
  const chosen = questions.find(({ key }) => key === only?.question);
  const change = (next: FollowUp['only']): void =>
    onChange({ ...body, followUp: next ? { ...always, only: next } : always });
  return (
    <>
      <Pick
        label="Only by the answer to"
        value={only?.question ?? ''}
        onChange={(key) => {
          const question = questions.find((each) => each.key === key);
          const answer = question && offersOf(question)[0]?.value;
          change(answer === undefined ? undefined : { question: key, answer });
        }}
        options={[
          { value: '', label: 'whatever was answered' },
          ...questions.map(({ key, label }) => ({ value: key, label: label || key })),
        ]}
      />
      {chosen && only ? (
        <Pick
          label="Where it is"
          value={only.answer}
          onChange={(answer) => change({ ...only, answer })}
          options={offersOf(chosen).map(({ value, label }) => ({ value, label: label || value }))}
        />
      ) : null}
    </>
  );
}
