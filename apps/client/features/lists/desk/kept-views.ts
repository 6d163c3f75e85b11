import { KeptView, KeptViewsAnswer } from '@ant-trail/contract/lists';
import { useEffect } from 'react';
import { z } from 'zod';
import { tell } from '@/device/api.ts';
import { useOffice } from '@/device/office.ts';

export interface KeptViews {
  readonly views: readonly KeptView[];
  readonly keep: (view: KeptView) => Promise<void>;
  readonly forget: (name: string) => Promise<void>;
}

/** One's own ways of looking at a list; the office keeps them, on whatever computer one sits. */
export function useKeptViews(list: string): KeptViews {
  const { answer, again } = useOffice(KeptViewsAnswer, '/api/views', ['view']);
  const keep = async (view: KeptView): Promise<void> => {
    await tell('PUT', '/api/views', view);
    again();
  };
  useEffect(() => {
    // Where the office is away, this computer keeps them until the next time.
    handOver().then(
      (some) => some && again(),
      () => undefined,
    );
  }, [again]);
  return {
    views: (answer?.views ?? []).filter((view) => view.list === list),
    keep,
    forget: async (name) => {
      await tell('DELETE', `/api/views/${list}/${encodeURIComponent(name)}`);
      again();
    },
  };
}

/** Where views were kept up to 0.7: on the computer itself. */
const BEFORE = 'ant-trail.views';
const KeptBefore = z.record(z.string(), z.array(KeptView.omit({ list: true })));

/** Gives what this computer kept before to the office, once. */
async function handOver(): Promise<boolean> {
  const before = localStorage.getItem(BEFORE);
  if (before === null) return false;
  const read = KeptBefore.safeParse(parse(before));
  for (const [list, views] of Object.entries(read.data ?? {}))
    for (const view of views) await tell('PUT', '/api/views', { list, ...view });
  // Only now: what could not be given yet must not be lost.
  localStorage.removeItem(BEFORE);
  return read.success;
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
