import { memo, useState } from 'react';
import { reasonPath } from '@ant-trail/core/log';
import { Column, Row, Rule } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { Mark } from '@/design/mark.tsx';
import { Body } from '@/design/text.tsx';
import { ActionDialog } from '@/features/actions/field/action-dialog.tsx';
import { useActionsOf } from '@/features/actions/field/own-actions.ts';
import { PARTS } from '../parts/parts.tsx';
import { PhotoStrip } from '../parts/photos.tsx';
import { useDraft } from '../parts/use-draft.ts';
import { useSheetSession, type PartProps } from './sheet-context.tsx';

export const questionAnchor = (key: string): string => `question-${key}`;

/** One question with what helps to answer it and what its answer asks for. */
export const QuestionBlock = memo(function QuestionBlock({ state, locked }: PartProps) {
  const { question, asksReason, photos, asksPhoto, finding } = state;
  const Part = PARTS[question.kind];
  const asksMore = asksReason || asksPhoto || photos.length > 0 || question.kind === 'photo';
  return (
    <Column id={questionAnchor(question.key)} render="section" aria-label={question.label}>
      <Column padding="$4" gap="$3">
        <Column gap="$1">
          <Body render="h3" margin={0} strong fontSize="$4" lineHeight="$4">
            {question.label}
            {question.required ? '' : ' '}
            {question.required ? null : (
              <Body small quiet>
                (if there is something)
              </Body>
            )}
          </Body>
          {question.help ? (
            <Body small quiet>
              {question.help}
            </Body>
          ) : null}
        </Column>
        {Part ? <Part state={state} locked={locked} /> : null}
        {asksReason ? <Reason state={state} locked={locked} /> : null}
        {asksMore ||
        (!locked && question.kind !== 'signature' && question.kind !== 'acknowledge') ? (
          <PhotoStrip state={state} locked={locked} />
        ) : null}
        {finding && finding.severity >= 2 ? <ProposedAction state={state} locked={locked} /> : null}
      </Column>
      <Rule />
    </Column>
  );
});

function Reason({ state, locked }: PartProps) {
  const session = useSheetSession();
  const path = reasonPath(state.question.key);
  const kept = typeof state.reason?.value === 'string' ? state.reason.value : '';
  const draft = useDraft(kept, (text) => {
    if (text.trim()) void session.write(path, 'answer', text.trim());
    else if (state.reason) void session.write(path, 'clear', null);
  });
  return (
    <Input
      label="In a word, why?"
      value={draft.text}
      lines={2}
      onChange={locked ? () => undefined : draft.change}
      onLeave={draft.settle}
    />
  );
}

/** What the template proposes to do about it, and the way to have it done. */
function ProposedAction({ state, locked }: PartProps) {
  const session = useSheetSession();
  const [open, setOpen] = useState(false);
  const actions = useActionsOf(session.sheet);
  const opened = actions?.find((action) => action.key === state.question.key);
  if (opened)
    return (
      <Row gap="$2" alignItems="flex-start">
        <Mark name="finished" silent />
        <Body small flex={1}>
          Action opened: {opened.title}
        </Body>
      </Row>
    );
  if (locked || !state.finding) return null;
  return (
    <>
      <Row>
        <Button
          dense
          onPress={() => setOpen(true)}
          label={`Open an action for ${state.question.label}`}
        >
          Open an action{state.finding.proposedAction ? `: ${state.finding.proposedAction}` : ''}
        </Button>
      </Row>
      {open ? <ActionDialog finding={state.finding} onClose={() => setOpen(false)} /> : null}
    </>
  );
}
