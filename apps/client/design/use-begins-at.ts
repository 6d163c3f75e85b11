import { useEffect, useState, type RefObject } from 'react';

/**
 * Where a long list begins within the page that scrolls, in pixels; what stands above it may grow. The
 * page's content has to be one element.
 */
export function useBeginsAt(
  list: RefObject<HTMLElement | null>,
  scroll: HTMLElement | null,
): number {
  const [top, setTop] = useState(0);
  useEffect(() => {
    const content = scroll?.firstElementChild;
    if (!scroll || !content) return undefined;
    const measured = new ResizeObserver(() => {
      const begins = list.current?.getBoundingClientRect().top ?? 0;
      setTop(Math.round(begins - scroll.getBoundingClientRect().top + scroll.scrollTop));
    });
    measured.observe(content);
    return () => measured.disconnect();
  }, [list, scroll]);
  return top;
}
