import { createContext, useContext } from 'react';
import { useStore } from 'zustand';
import type { QuestionState, SheetState } from '@ant-trail/core/sheet';
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

/** What every part of a question is given. */
export interface PartProps {
  readonly state: QuestionState;
  readonly locked: boolean;
}
