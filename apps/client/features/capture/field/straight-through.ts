import { isAsked, type SheetState } from '@ant-trail/core/sheet';
import { useEffect } from 'react';
import { AGAIN_MS } from '@/design/one-press.ts';
import { holdTaps } from '@/design/second-tap.ts';
import { hearPointers } from '@/device/straight-on.ts';
import { useSheetSession } from '../session/sheet-context.tsx';
import type { Pressed } from '../session/sheet-session.ts';

/** After the second half of a double tap has come, which must not fall on the next question. */
const PAUSE_MS = AGAIN_MS + 60;

/** So long it takes to see that something else stands under the thumb. */
const SEEN_MS = 300;

/** What was typed is an answer by then, or refused. */
const KEEP_MS = 60;

/** Where somebody goes from a question they have just answered. */
export type Onward =
  | { readonly to: 'question'; readonly path: string }
  | { readonly to: 'section'; readonly section: string }
  | { readonly to: 'the end' }
  | null;

/**
 * What comes after the question at a path, for somebody who answers straight through: the next one
 * that is open; after the last of a section with nothing missing the next section, and after the
 * last of all the end. Nothing where the answer asks for more first, or where the next is answered
 * already: somebody is mending then.
 */
export function onwardFrom(state: SheetState, path: string): Onward {
  const sections = state.sections.filter(({ questions }) => questions.length > 0);
  const at = sections.findIndex(({ questions }) => questions.some((each) => each.path === path));
  const section = sections[at];
  if (!section) return null;
  const index = section.questions.findIndex((each) => each.path === path);
  const question = section.questions[index];
  if (!question || question.looseEnds.length > 0 || question.messages.length > 0) return null;
  if (question.asksReason || question.asksPhoto || (question.findings[0]?.severity ?? 0) >= 2)
    return null;
  const next = section.questions.slice(index + 1).find((each) => isAsked(each.question));
  if (next) return next.answer === null ? { to: 'question', path: next.path } : null;
  if (section.looseEnds.length > 0) return null;
  const following = sections[at + 1];
  if (following)
    return following.answered === 0 ? { to: 'section', section: following.section.id } : null;
  return state.looseEnds.length === 0 ? { to: 'the end' } : null;
}

export interface StraightThrough {
  readonly onSection: (section: string) => void;
  readonly onEnd: () => void;
}

/** Brings what comes next to the thumb, unless the person has moved on meanwhile. */
export function useStraightThrough({ onSection, onEnd }: StraightThrough): void {
  const session = useSheetSession();
  // Before the very first press.
  useEffect(() => hearPointers(), []);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const stay = (): void => clearTimeout(timer);
    const go = ({ path, entered }: Pressed): void => {
      if (path === null || document.querySelector('dialog[open]')) return;
      const onward = onwardFrom(session.state.getState(), path);
      if (onward && !entered) holdTaps('main, dialog', SEEN_MS);
      if (onward?.to === 'question' && entered) session.seek(onward.path);
      else if (onward?.to === 'question') bringNext(path, onward.path);
      else if (onward?.to === 'section') onSection(onward.section);
      else if (onward?.to === 'the end') onEnd();
    };
    const unsubscribe = session.pressed.subscribe((pressed) => {
      stay();
      // Enter is asked for: only what was typed has to be kept first.
      timer = setTimeout(() => go(pressed), pressed.entered ? KEEP_MS : PAUSE_MS);
    });
    const moved = ['wheel', 'touchmove', 'keydown', 'pointerdown'] as const;
    for (const kind of moved) addEventListener(kind, stay, { passive: true, capture: true });
    return () => {
      stay();
      unsubscribe();
      for (const kind of moved) removeEventListener(kind, stay, { capture: true });
    };
  }, [session, onSection, onEnd]);
}

/** The next question comes to where the answered one stood, so that the thumb can stay where it is. */
function bringNext(from: string, to: string): void {
  const [here, next] = [from, to].map((path) => document.getElementById(`question-${path}`));
  if (!here || !next) return;
  const top = next.getBoundingClientRect().top - here.getBoundingClientRect().top;
  const still = matchMedia('(prefers-reduced-motion: reduce)').matches;
  // On a phone on its side the page moves as a whole.
  for (const scrolls of [here.closest('main'), here.closest('.field-page')])
    scrolls?.scrollBy({ top, behavior: still ? 'instant' : 'smooth' });
}
