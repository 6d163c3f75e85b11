import type { Dossier } from '@ant-trail/contract/review';
import { oddityWords, type Oddity } from '@ant-trail/core/log';
import { sayPath } from '@ant-trail/core/sheet';
import { Notice } from '@/design/notice.tsx';
import { sayWhen } from '@/design/say-day.ts';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import type { ReadingState } from './read-dossier.ts';

interface SheetNoticesProps {
  readonly dossier: Dossier;
  readonly reading: ReadingState;
}

/** Where the sheet stands, and what the reviewer has to know before deciding about it. */
export function SheetNotices({ dossier, reading }: SheetNoticesProps) {
  const { organisation } = useMe();
  const people = usePeople();
  const { stage, stageEntry, formerApproval, editedAfterFinish, overBudget } = reading.state;
  const when = (instant: string): string => sayWhen(instant, organisation.timeZone);
  const changed = listOf(editedAfterFinish.map((path) => sayPath(dossier.version.body, path)));
  const odd = Object.values(dossier.odd);
  return (
    <>
      {dossier.trouble ? (
        <Notice tone="eyes" mark="needs eyes" alert>
          {dossier.trouble} Its state in lists is not current. Mend the template.
        </Notice>
      ) : null}
      {stage === 'approved' ? (
        <Notice tone="info" mark="approved">
          Approved by {people.name(stageEntry?.by ?? null)}, {stageEntry ? when(stageEntry.at) : ''}
        </Notice>
      ) : null}
      {stage === 'returned' ? (
        <Notice tone="info" mark="returned">
          Returned by {people.name(stageEntry?.by ?? null)}: “{stageEntry?.reason}”
        </Notice>
      ) : null}
      {stage === 'under way' ? <Notice tone="info">Still being filled in.</Notice> : null}
      {formerApproval ? (
        <Notice tone="eyes" mark="needs eyes">
          {people.name(formerApproval.by)} approved it {when(formerApproval.at)}. Since then it
          changed: {changed}. The report of that approval is kept.
        </Notice>
      ) : editedAfterFinish.length > 0 ? (
        <Notice tone="eyes" mark="needs eyes">
          Came in after it was finished: {changed}
        </Notice>
      ) : null}
      {overBudget.length > 0 ? (
        <Notice tone="eyes" mark="needs eyes">
          Rules that do too much were stopped, and say nothing here. They are about{' '}
          {listOf(overBudget.map((path) => sayPath(dossier.version.body, path)))}. Mend the
          template.
        </Notice>
      ) : null}
      {odd.length > 0 ? (
        <Notice tone="eyes" mark="needs eyes">
          {odd.length === 1 ? 'One thing' : `${odd.length} things`} in its log arrived oddly.{' '}
          {sayOddities(odd)}
        </Notice>
      ) : null}
    </>
  );
}

const SHOWN = 6;

function listOf(labels: readonly string[]): string {
  const unique = [...new Set(labels)];
  const rest = unique.length - SHOWN;
  return [...unique.slice(0, SHOWN), ...(rest > 0 ? [`${rest} more`] : [])].join(', ');
}

const sayOddities = (odd: readonly (readonly Oddity[])[]): string =>
  [...new Set(odd.flat())].map(oddityWords).join(' ');
