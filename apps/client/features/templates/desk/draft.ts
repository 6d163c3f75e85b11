import type { TemplateBody } from '@ant-trail/core/sheet';
import { addSection } from '@ant-trail/core/templates';
import { create, type StoreApi, type UseBoundStore } from 'zustand';
import { keepDraft, keptDraft } from './kept-draft.ts';

/** A template being worked on. Every step is kept in the browser, so that no accident loses it. */
export interface Draft {
  readonly body: TemplateBody;
  /** The published version it was begun from; 0 for a new template. */
  readonly after: number;
  readonly chosen: string | null;
  readonly earlier: readonly TemplateBody[];
  /** Whether the browser could not keep the newest step. */
  readonly unkept: boolean;
  readonly change: (body: TemplateBody) => void;
  /** How often a question was chosen: a renamed one is still the same choice. */
  readonly turn: number;
  readonly choose: (key: string | null) => void;
  readonly follow: (key: string) => void;
  readonly undo: () => void;
}

const UNDO_STEPS = 100;
export const EMPTY_TEMPLATE: TemplateBody = addSection({ title: 'New template', sections: [] });

/** Opens a draft: the one kept in this browser, else one begun from the published version. */
export function openDraft(
  template: string,
  published: { number: number; body: TemplateBody } | null,
): UseBoundStore<StoreApi<Draft>> {
  const kept = keptDraft(template);
  const begun = kept ?? { after: published?.number ?? 0, body: published?.body ?? EMPTY_TEMPLATE };
  return create<Draft>((set, get) => {
    const keep = (body: TemplateBody): void => {
      try {
        keepDraft(template, { after: get().after, body });
        set({ unkept: false });
      } catch {
        set({ unkept: true });
      }
    };
    return {
      ...begun,
      chosen: null,
      earlier: [],
      unkept: false,
      change: (body) => {
        set({ body, earlier: [...get().earlier, get().body].slice(-UNDO_STEPS) });
        keep(body);
      },
      turn: 0,
      choose: (chosen) => set({ chosen, turn: get().turn + 1 }),
      follow: (chosen) => set({ chosen }),
      undo: () => {
        const body = get().earlier.at(-1);
        if (!body) return;
        set({ body, earlier: get().earlier.slice(0, -1) });
        keep(body);
      },
    };
  });
}
