import { useCallback, useContext, useEffect, useRef, useState } from 'react';
import { SheetSessionContext } from '../session/sheet-context.tsx';

const PAUSE_MS = 1200;

/** Keeps a text. Gives the words for the person when it can't be kept, null when it is. */
export type Keep = (text: string) => Promise<string | null>;

/** What is to be known of somebody who types. */
export interface Typing {
  /** Where it is an answer: what comes in meanwhile was not seen by whoever types. */
  readonly path?: string;
  readonly onBegin?: () => void;
  readonly onEnd?: () => void;
}

export interface Draft {
  readonly text: string;
  readonly change: (text: string) => void;
  /** Why what was typed could not be kept; null when it could. */
  readonly refused: string | null;
  /** Keeps what was typed now, without waiting for a pause. */
  readonly settle: () => void;
}

/**
 * Text being typed: kept when the person pauses, leaves the field or the page, so that a log
 * holds answers and not keystrokes, and a reload loses nothing. What could not be kept stays in
 * the field to be mended.
 */
export function useDraft(kept: string, keep: Keep, typing: Typing = {}): Draft {
  const [typed, setTyped] = useState<string | null>(null);
  const session = useContext(SheetSessionContext);
  const { path, onBegin, onEnd } = typing;
  const change = (text: string): void => {
    if (typed === null) {
      if (path !== undefined) session?.beginTyping(path);
      onBegin?.();
    }
    setTyped(text);
  };
  const ended = useRef(onEnd);
  useEffect(() => {
    ended.current = onEnd;
  });
  const isTyping = typed !== null;
  useEffect(() => {
    if (isTyping) return;
    if (path !== undefined) session?.endTyping(path);
    ended.current?.();
  }, [isTyping, path, session]);
  const [refused, setRefused] = useState<string | null>(null);
  const latest = useRef({ typed, kept, keep });
  const given = useRef<string | null>(null);
  useEffect(() => {
    latest.current = { typed, kept, keep };
  });
  const settle = useCallback((): void => {
    const now = latest.current;
    if (now.typed === null || now.typed === now.kept) setTyped(null);
    else if (now.typed !== given.current) {
      const text = now.typed;
      given.current = text;
      void now.keep(text).then((words) => {
        setRefused(words);
        // It may have shown as kept for a moment.
        if (words !== null) setTyped((newer) => newer ?? text);
      });
    }
  }, []);
  useEffect(() => {
    // What was given has been kept, maybe written another way: the field shows that now.
    if (latest.current.typed === given.current) setTyped(null);
    given.current = null;
  }, [kept]);
  useEffect(() => {
    if (typed === null) return undefined;
    const timer = setTimeout(settle, PAUSE_MS);
    return () => clearTimeout(timer);
  }, [typed, settle]);
  useEffect(() => {
    // A page put out of sight on a phone may be closed without another word.
    document.addEventListener('visibilitychange', settle);
    addEventListener('pagehide', settle);
    return () => {
      document.removeEventListener('visibilitychange', settle);
      removeEventListener('pagehide', settle);
      settle();
    };
  }, [settle]);
  return { text: typed ?? kept, refused, change, settle };
}
