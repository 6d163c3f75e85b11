import type { Dossier } from '@ant-trail/contract/review';
import type { AnswerValue, Entry, EntryDraft } from '@ant-trail/core/log';
import {
  isAsked,
  mayPrepare,
  OpenSheet,
  planSheet,
  type QuestionState,
} from '@ant-trail/core/sheet';
import { deskControl } from '@/features/kinds/desk/controls.ts';

/** What was filled in here and is not with the office yet, by path; null takes something back. */
export type Drafts = ReadonlyMap<string, { readonly value: AnswerValue | null; unit?: string }>;

/** Whether the office can fill this in before anybody is there. */
export const isForTheOffice = ({ question, visible }: QuestionState): boolean =>
  visible && isAsked(question) && mayPrepare(question) && deskControl(question) !== null;

/** Whether somebody other than the office has said something here. */
export const isTaken = ({ answer }: QuestionState): boolean =>
  answer !== null && answer.entry.kind !== 'prepare';

/** The sheet as it would stand with what is filled in here: conditions and sums follow at once. */
export function withDrafts(dossier: Dossier, drafts: Drafts, by: string) {
  const open = new OpenSheet(planSheet(dossier.version.body));
  open.add(dossier.entries);
  const mine = draftsOf(dossier, drafts, by, (path) => open.headsOf(path));
  const state = open.add(
    mine.map((draft, index) => ({
      ...draft,
      // Later than any id there is.
      id: `ffffffff-ffff-7fff-bfff-${String(index).padStart(12, '0')}`,
      device: by,
      at: new Date().toISOString(),
      prev: null,
    })) satisfies Entry[],
  );
  return { state, mine };
}

const draftsOf = (
  { sheet }: Dossier,
  drafts: Drafts,
  by: string,
  headsOf: (path: string) => readonly string[],
): EntryDraft[] =>
  [...drafts].map(([path, { value, unit }]) => ({
    sheet: sheet.id,
    path,
    kind: 'prepare',
    value,
    ...(unit === undefined || value === null ? {} : { unit }),
    seen: headsOf(path),
    by,
  }));
