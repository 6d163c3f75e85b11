import { useEffect, useRef, useState } from 'react';

const PAUSE_MS = 1200;

export interface Draft {
  readonly text: string;
  readonly change: (text: string) => void;
  /** Keeps what was typed now, without waiting for a pause. */
  readonly settle: () => void;
}

/**
 * Text being typed: kept when the person pauses, leaves the field or the page, so that a log
 * holds answers and not keystrokes, and a reload loses nothing.
 */
export function useDraft(kept: string, keep: (text: string) => void): Draft {
  const [typed, setTyped] = useState<string | null>(null);
  const latest = useRef({ typed, kept, keep });
  useEffect(() => {
    latest.current = { typed, kept, keep };
  });
  const settle = (): void => {
    const now = latest.current;
    if (now.typed !== null && now.typed !== now.kept) now.keep(now.typed);
    setTyped(null);
  };
  useEffect(() => {
    if (typed === null) return undefined;
    const timer = setTimeout(() => {
      const now = latest.current;
      if (now.typed !== null && now.typed !== now.kept) now.keep(now.typed);
    }, PAUSE_MS);
    return () => clearTimeout(timer);
  }, [typed]);
  useEffect(() => {
    const leave = (): void => {
      const now = latest.current;
      if (now.typed !== null && now.typed !== now.kept) now.keep(now.typed);
    };
    addEventListener('pagehide', leave);
    return () => {
      removeEventListener('pagehide', leave);
      leave();
    };
  }, []);
  return { text: typed ?? kept, change: setTyped, settle };
}
