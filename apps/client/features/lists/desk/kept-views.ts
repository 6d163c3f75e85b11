import { z } from 'zod';
import { create } from 'zustand';

const KeptView = z.object({
  name: z.string(),
  query: z.record(z.string(), z.string()),
  /** Columns that are left out. */
  hidden: z.array(z.string()),
});
export type KeptView = z.infer<typeof KeptView>;

const Kept = z.record(z.string(), z.array(KeptView));
type Kept = z.infer<typeof Kept>;

const KEY = 'ant-trail.views';

function read(): Kept {
  try {
    return Kept.parse(JSON.parse(localStorage.getItem(KEY) ?? '{}'));
  } catch {
    // Written by another version, or by hand: views are made again in a moment.
    return {};
  }
}

interface Views {
  readonly kept: Kept;
  readonly keep: (list: string, view: KeptView) => void;
  readonly forget: (list: string, name: string) => void;
}

/** Ways of looking at lists that somebody gave a name, on this machine. */
export const useKeptViews = create<Views>((set, get) => {
  const put = (list: string, views: readonly KeptView[]): void => {
    const kept = { ...get().kept, [list]: [...views].sort((a, b) => a.name.localeCompare(b.name)) };
    localStorage.setItem(KEY, JSON.stringify(kept));
    set({ kept });
  };
  const others = (list: string, name: string): KeptView[] =>
    (get().kept[list] ?? []).filter((view) => view.name !== name);
  return {
    kept: read(),
    keep: (list, view) => put(list, [...others(list, view.name), view]),
    forget: (list, name) => put(list, others(list, name)),
  };
});
