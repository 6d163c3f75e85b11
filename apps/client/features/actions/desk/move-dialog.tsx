import { Action } from '@ant-trail/contract/actions';
import { may } from '@ant-trail/core/accounts';
import {
  ACTION_STATE_RULES,
  nextActionStates,
  problemWithMove,
  type ActionState,
} from '@ant-trail/core/actions';
import { severityWord } from '@ant-trail/core/sheet';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { sayShortDay, sayWhen } from '@/design/say-day.ts';
import { Body, Figure } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import type { People } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';

export interface MoveDialogProps {
  readonly action: Action;
  readonly people: People;
  readonly onClose: () => void;
  readonly onMoved: () => void;
}

/** One action with its story, and where it may go next. */
export function MoveDialog({ action, people, onClose, onMoved }: MoveDialogProps) {
  const { organisation, person } = useMe();
  const router = useRouter();
  const [note, setNote] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const move = async (to: ActionState) => {
    try {
      await ask(Action, 'POST', `/api/actions/${action.id}/moves`, { to, note });
      setNote('');
      setProblem(null);
      onMoved();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  const when = (instant: string): string => sayWhen(instant, organisation.timeZone);
  // What somebody else has to do is not offered; whoever may, is told what is missing when they press.
  const doer = action.moves.filter(({ to }) => to === 'done').at(-1)?.by;
  const problemsOf = (to: ActionState) =>
    problemWithMove({
      ...{ state: action.state, to, note },
      isOwner: action.owner === person.id,
      isOffice: may(person.roles, 'look after actions'),
      isDoer: doer === person.id,
    });
  const next = nextActionStates(action.state).filter((to) => {
    const code = problemsOf(to)?.code;
    return code === undefined || code === 'say-why';
  });
  const waits = nextActionStates(action.state).some(
    (to) => problemsOf(to)?.code === 'second-person',
  );
  return (
    <Dialog title={action.title} onClose={onClose}>
      <Column gap="$3">
        <Body>
          {action.siteName} · {severityWord(action.severity)} · {people.name(action.owner)}, due{' '}
          {sayShortDay(action.dueOn)}
        </Body>
        {action.details ? <Body small>{action.details}</Body> : null}
        <Column gap="$1">
          <Step
            when={when(action.createdAt)}
            words={`opened by ${people.name(action.createdBy)}`}
          />
          {action.moves.map((step) => (
            <Step
              key={step.id}
              when={when(step.at)}
              words={`${step.to}, ${people.name(step.by)}${step.note ? `: ${step.note}` : ''}`}
            />
          ))}
        </Column>
        {action.sheet ? (
          <Button dense onPress={() => router.navigate(`/review/${action.sheet}`)}>
            Read the sheet it came from
          </Button>
        ) : null}
        {next.length > 0 ? (
          <>
            <Input label="A note" value={note} onChange={setNote} />
            {problem ? (
              <Body small eyes strong role="alert">
                {problem}
              </Body>
            ) : null}
            <Row gap="$2" flexWrap="wrap">
              {next.map((to, index) => (
                <Button key={to} main={index === 0} onPress={() => move(to)}>
                  {to === 'in hand' && action.state === 'done'
                    ? 'Back in hand'
                    : ACTION_STATE_RULES[to].verb}
                </Button>
              ))}
            </Row>
          </>
        ) : (
          <Body quiet>This action is settled.</Body>
        )}
        {waits ? <Body quiet>A colleague verifies it: whoever did it may not.</Body> : null}
      </Column>
    </Dialog>
  );
}

function Step({ when, words }: { when: string; words: string }) {
  return (
    <Row gap="$2" alignItems="flex-start">
      <Figure small>{when}</Figure>
      <Body small flex={1}>
        {words}
      </Body>
    </Row>
  );
}
