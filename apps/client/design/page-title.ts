import { useEffect } from 'react';

/** The window, its tab and its history are called after the page. */
export function usePageTitle(title: string | undefined): void {
  useEffect(() => {
    if (title) document.title = `${title} · Ant Trail`;
  }, [title]);
}
