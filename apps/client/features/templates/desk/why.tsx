import { isAsked, type SheetPlan, type SheetState } from '@ant-trail/core/sheet';
import { explain, type Reason } from '@ant-trail/core/templates';
import { Column } from '@/design/box.tsx';
import { Body, Figure } from '@/design/text.tsx';

export interface WhyProps {
  readonly plan: SheetPlan;
  readonly state: SheetState;
  readonly chosen: string;
}

/** Says why the chosen question is asked or not, and whether it must be answered, as things stand. */
export function Why({ plan, state, chosen }: WhyProps) {
  const why = explain(plan, state, chosen);
  if (!why) return null;
  const question = plan.questions.get(chosen)?.question;
  const must = why.required ? 'It must be answered' : 'It may stay open';
  return (
    <Column
      gap="$1"
      padding="$2"
      borderLeftWidth={4}
      borderColor="$lake"
      backgroundColor="$lakeGround"
      role="status"
      aria-label="Why"
    >
      <Body small strong>
        “{question?.label ?? ''}” is {why.asked ? 'asked' : 'not asked'} now.
      </Body>
      {why.askedBecause.length === 0 && !why.programme ? (
        <Body small>It is always asked.</Body>
      ) : null}
      {why.askedBecause.map((reason) => (
        <Because key={reason.source} words="Asked when" reason={reason} />
      ))}
      {why.asked && question && isAsked(question) ? <Body small>{must}.</Body> : null}
      {why.requiredBecause.map((reason) => (
        <Because key={reason.source} words="Must be answered when" reason={reason} />
      ))}
      {why.programme ? <Body small>The programme “{why.programme}” decides about it.</Body> : null}
    </Column>
  );
}

function Because({ words, reason }: { words: string; reason: Reason }) {
  return (
    <Column>
      <Body small>
        {words} <Figure small>{reason.source}</Figure>
      </Body>
      {reason.reads.map((read) => (
        <Body key={read} tiny>
          {read}
        </Body>
      ))}
    </Column>
  );
}
