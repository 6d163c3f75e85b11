import { reasonPath } from '@ant-trail/core/log';
import { isAsked, rulesOf, textOf, type Question } from '@ant-trail/core/sheet';
import { memo, useEffect, useState } from 'react';
import { useStore } from 'zustand';
import { Column, Row, Rule } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Mark } from '@/design/mark.tsx';
import { Notice } from '@/design/notice.tsx';
import { Body } from '@/design/text.tsx';
import { ActionDialog } from '@/features/actions/field/action-dialog.tsx';
import { useActionsOf } from '@/features/actions/field/own-actions.ts';
import { DictatedInput } from '../parts/dictated-input.tsx';
import { PARTS } from '../parts/parts.tsx';
import { PhotoStrip } from '../parts/photos.tsx';
import { useSheetSession, type PartProps } from '../session/sheet-context.tsx';
import { ClosedOut, LastTime, Offered } from './offered.tsx';
import { keepShown } from './keep-shown.ts';
import { OthersAnswer, SaidApart } from './others.tsx';
import { RowsOfKit } from './rows-of-kit.tsx';

/** One question with what helps to answer it and what its answer asks for. */
export const QuestionBlock = memo(function QuestionBlock({ state, locked }: PartProps) {
  useSought(state.path);
  const { question, asksReason, photos, asksPhoto, findings } = state;
  const Part = PARTS[question.kind];
  const isRows = question.kind === 'rows';
  // What another answer makes required is not left to whether there is something.
  const optional =
    !state.required &&
    isAsked(question) &&
    !rulesOf(question).saysWhether &&
    question.requiredWhen === undefined;
  const takesBack = !locked && state.answer !== null && isChosen(question);
  const asksMore = asksPhoto || photos.length > 0 || rulesOf(question).keeps === 'photos';
  return (
    <Column
      id={`question-${state.path}`}
      render="section"
      aria-label={question.label}
      // What is out of sight is neither laid out nor painted: a section may be hundreds long.
      style={{ contentVisibility: 'auto', containIntrinsicSize: 'auto 180px' }}
    >
      <Column
        padding="$4"
        gap="$3"
        {...(question.follows
          ? { marginLeft: '$4', borderLeftWidth: 3, borderColor: '$trail' }
          : {})}
      >
        <Column gap="$1">
          <Body render="h3" margin={0} strong fontSize="$4" lineHeight="$4">
            {question.label}
            {optional ? ' ' : ''}
            {optional ? (
              <Body small quiet>
                (if there is something)
              </Body>
            ) : null}
          </Body>
          {question.help ? (
            <Body small quiet>
              {question.help}
            </Body>
          ) : null}
        </Column>
        {state.disagreement.length > 1 ? <SaidApart state={state} /> : null}
        {state.closedOut ? <ClosedOut state={state} locked={locked} /> : null}
        {!locked && state.answer === null && !state.closedOut ? (
          <>
            <Offered state={state} />
            <LastTime state={state} />
          </>
        ) : null}
        {Part ? <Part state={state} locked={locked} /> : null}
        <OthersAnswer state={state} />
        {state.answer?.entry.kind === 'prepare' ? (
          <Body small quiet>
            Filled in by the office beforehand. Change it if it is not so.
          </Body>
        ) : null}
        {isRows ? <RowsOfKit state={state} locked={locked} Block={QuestionBlock} /> : null}
        {state.messages.map((message) => (
          <Notice key={message.words} tone={message.tone === 'warning' ? 'eyes' : 'info'}>
            {message.words}
          </Notice>
        ))}
        {state.looseEnds
          .filter((end) => end.missing === 'check' || end.missing === 'second person')
          .map((end) => (
            <Body key={end.words} eyes strong role="alert">
              {end.words}
            </Body>
          ))}
        {asksReason ? <Reason state={state} locked={locked} /> : null}
        {asksMore || (!locked && rulesOf(question).takesPhotos) ? (
          <PhotoStrip
            state={state}
            locked={locked}
            beside={takesBack ? <TakeBack state={state} /> : null}
          />
        ) : takesBack ? (
          <Row>
            <TakeBack state={state} />
          </Row>
        ) : null}
        {!isRows && (findings[0]?.severity ?? 0) >= 2 ? (
          <ProposedAction state={state} locked={locked} />
        ) : null}
      </Column>
      <Rule />
    </Column>
  );
});

/** Whether one of several answers is pressed: that alone would leave no way back to none. */
const isChosen = (question: Question): boolean => {
  const { offers, celType } = rulesOf(question);
  return celType === 'bool' || (offers !== undefined && celType === 'string');
};

function TakeBack({ state }: Pick<PartProps, 'state'>) {
  const session = useSheetSession();
  return (
    <Button
      dense
      plain
      label={`Take back the answer to ${state.question.label}`}
      onPress={() => session.write(state.path, 'clear', null)}
    >
      Take back
    </Button>
  );
}

/** Comes into view and takes the focus when this question is sought. */
function useSought(path: string): void {
  const session = useSheetSession();
  const isSought = useStore(session.sought, (sought) => sought.path === path);
  useEffect(() => {
    if (!isSought) return;
    const element = document.getElementById(`question-${path}`);
    if (element) keepShown(element);
    element
      ?.querySelector<HTMLElement>('input:not([hidden]), textarea, button')
      ?.focus({ preventScroll: true });
    session.seek(null);
  }, [isSought, path, session]);
}

function Reason({ state, locked }: PartProps) {
  const session = useSheetSession();
  const path = reasonPath(state.path);
  return (
    <DictatedInput
      label="Why?"
      path={path}
      lines={2}
      locked={locked}
      kept={state.reason ? textOf(state.reason.value) : ''}
      keep={(text) => {
        if (text.trim()) return session.write(path, 'answer', text.trim());
        return state.reason ? session.write(path, 'clear', null) : Promise.resolve(null);
      }}
    />
  );
}

/** What the template proposes to do about it, and the way to have it done. */
function ProposedAction({ state, locked }: PartProps) {
  const session = useSheetSession();
  const [open, setOpen] = useState(false);
  const actions = useActionsOf(session.sheet);
  const opened = actions?.find((action) => action.key === state.path);
  if (opened)
    return (
      <Row gap="$2" alignItems="flex-start">
        <Mark name="finished" silent />
        <Body small flex={1}>
          Action opened: {opened.title}
        </Body>
      </Row>
    );
  const [finding] = state.findings;
  if (locked || !finding) return null;
  const shown = `Open an action${finding.proposedAction ? `: ${finding.proposedAction}` : ''}`;
  return (
    <>
      <Row>
        <Button dense onPress={() => setOpen(true)} label={`${shown}, for ${state.question.label}`}>
          {shown}
        </Button>
      </Row>
      {open ? (
        <ActionDialog
          finding={finding}
          site={session.context.site.id}
          sheet={session.sheet}
          onClose={() => setOpen(false)}
        />
      ) : null}
    </>
  );
}
