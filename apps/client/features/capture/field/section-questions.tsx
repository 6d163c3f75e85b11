import { memo, startTransition, useEffect, useState } from 'react';
import { useStore } from 'zustand';
import { whenIdle } from '@/device/when-idle.ts';
import { useSheetSession } from '../session/sheet-context.tsx';
import { QuestionBlock } from './question-block.tsx';

interface ShownQuestionProps {
  readonly section: string;
  readonly path: string;
  readonly locked: boolean;
}

const ShownQuestion = memo(function ShownQuestion({ section, path, locked }: ShownQuestionProps) {
  const state = useStore(useSheetSession().state, ({ sections }) =>
    sections
      .find((each) => each.section.id === section)
      ?.questions.find((question) => question.path === path),
  );
  return state ? <QuestionBlock state={state} locked={locked} /> : null;
});

export interface SectionQuestionsProps {
  readonly section: string;
  readonly paths: readonly string[];
  readonly locked: boolean;
}

/** About as many as a phone shows at once, with some to scroll on. */
const AT_FIRST = 6;
const AT_A_TIME = 6;

/**
 * The questions of a section. Those on the screen are drawn first and can be answered; the rest, which
 * may be hundreds, follow a few at a time whenever the phone has a moment.
 */
export function SectionQuestions({ section, paths, locked }: SectionQuestionsProps) {
  const drawn = useDrawn(section, paths.length);
  return paths
    .slice(0, drawn)
    .map((path) => <ShownQuestion key={path} section={section} path={path} locked={locked} />);
}

function useDrawn(section: string, count: number): number {
  const [drawn, setDrawn] = useState({ section, upto: AT_FIRST });
  const upto = drawn.section === section ? drawn.upto : AT_FIRST;
  // Whatever is sought has to be there to be found.
  const isSought = useStore(useSheetSession().sought, ({ path }) => path !== null);
  useEffect(() => {
    if (upto >= count) return undefined;
    if (isSought) {
      setDrawn({ section, upto: count });
      return undefined;
    }
    return whenIdle(() => startTransition(() => setDrawn({ section, upto: upto + AT_A_TIME })));
  }, [section, upto, count, isSought]);
  return upto;
}
