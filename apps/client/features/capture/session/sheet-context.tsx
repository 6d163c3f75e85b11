import type { AnswerValue } from '@ant-trail/core/log';
import type { QuestionState, SheetState } from '@ant-trail/core/sheet';
import { createContext, useContext } from 'react';
import { useStore } from 'zustand';
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

/** What every part of a question is given. */
export interface PartProps {
  readonly state: QuestionState;
  readonly locked: boolean;
}
