import type { TemplateBody } from '@ant-trail/core/sheet';

/** What the browser keeps of a template being worked on. */
interface KeptDraft {
  /** The published version it was begun from; 0 for a new template. */
  readonly after: number;
  readonly body: TemplateBody;
}

const nameOf = (template: string): string => `ant-trail.draft.${template}`;

/** Whether something unpublished of a template is kept in this browser. */
export const hasDraft = (template: string): boolean =>
  localStorage.getItem(nameOf(template)) !== null;

export const forgetDraft = (template: string): void => localStorage.removeItem(nameOf(template));

export const keepDraft = (template: string, draft: KeptDraft): void =>
  localStorage.setItem(nameOf(template), JSON.stringify(draft));

export function keptDraft(template: string): KeptDraft | null {
  const text = localStorage.getItem(nameOf(template));
  if (!text) return null;
  try {
    const kept = JSON.parse(text) as KeptDraft;
    // A half-written draft need not be publishable: only its outline is looked at.
    return Array.isArray(kept.body.sections) ? kept : null;
  } catch {
    return null;
  }
}
