import type { AnswerValue } from '@ant-trail/core/log';
import type { QuestionState, SheetState } from '@ant-trail/core/sheet';
import { createContext, useContext } from 'react';
import { useStore } from 'zustand';
import { setting } from '@/device/settings.ts';
import { isPointed } from '@/device/straight-on.ts';
import type { SheetSession } from './sheet-session.ts';

export const SheetSessionContext = createContext<SheetSession | null>(null);

export function useSheetSession(): SheetSession {
  const session = useContext(SheetSessionContext);
  if (!session) throw new Error('used outside a sheet');
  return session;
}

export function useSheetState(): SheetState {
  return useStore(useSheetSession().state);
}

/**
 * Gives a question its answer, or takes it away with null. Says in words why a value can't be one,
 * without the question's label, which stands above it already.
 */
export function useAnswer({
  path,
  answer,
  question,
}: QuestionState): (value: AnswerValue | null, unit?: string) => Promise<string | null> {
  const session = useSheetSession();
  return async (value, unit) => {
    if (value === null) return answer ? session.write(path, 'clear', null) : null;
    const problem = await session.write(path, 'answer', value, unit === undefined ? {} : { unit });
    return problem?.replace(`${question.label}: `, '') ?? null;
  };
}

/** As `useAnswer`, where one press is the whole answer: what comes next follows it to the thumb. */
export function useAnswerByPress(
  state: QuestionState,
): (value: AnswerValue, unit?: string) => Promise<string | null> {
  const give = useAnswer(state);
  const session = useSheetSession();
  return async (value, unit) => {
    const goesOn = setting('goingOn') === 'by itself' && isPointed();
    const problem = await give(value, unit);
    if (problem === null && goesOn)
      session.pressed.setState({ path: state.path, entered: false }, true);
    return problem;
  };
}

/**
 * For the Enter key in a field of one line, once what was typed is kept: the question that comes next
 * has the focus then, and the keyboard of a phone stays open between two readings.
 */
export function useEnter(path: string | undefined): (() => void) | undefined {
  const session = useContext(SheetSessionContext);
  return session && path !== undefined
    ? () => session.pressed.setState({ path, entered: true }, true)
    : undefined;
}

/** What every part of a question is given. */
export interface PartProps {
  readonly state: QuestionState;
  readonly locked: boolean;
}
