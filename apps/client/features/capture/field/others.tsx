import type { Entry } from '@ant-trail/core/log';
import { sayValue, type QuestionState } from '@ant-trail/core/sheet';
import { Notice } from '@/design/notice.tsx';
import { sayShortDay, sayWhen } from '@/design/say-day.ts';
import { Body } from '@/design/text.tsx';
import { useMe } from '@/features/accounts/session.ts';
import { useColleagues } from '@/features/accounts/use-colleagues.ts';
import { usePhone } from '@/features/sync/phone.tsx';

function useNameOf(): (id: string) => string {
  const { store } = usePhone();
  const { person } = useMe();
  const people = useColleagues(store);
  return (id) =>
    id === person.id ? 'you' : (people.find((each) => each.id === id)?.name ?? 'somebody else');
}

/** Whose answer stands, where it is not one's own: it may come in while the sheet is open. */
export function OthersAnswer({ state: { answer, disagreement } }: { state: QuestionState }) {
  const { person } = useMe();
  const entry = answer?.entry;
  if (!entry || entry.by === person.id || entry.kind === 'prepare' || disagreement.length > 1)
    return null;
  return <AnsweredBy entry={entry} />;
}

/** Apart, so that only questions somebody else answered look for names. */
function AnsweredBy({ entry }: { entry: Entry }) {
  const { organisation } = useMe();
  const nameOf = useNameOf();
  return (
    <Body small quiet role="status">
      {entry.kind === 'correct' ? 'Corrected' : 'Answered'} by {nameOf(entry.by)},{' '}
      {sayWhen(entry.at, organisation.timeZone)}.
    </Body>
  );
}

/** Two answers, neither of whose authors had seen the other's: said here too, not only at the office. */
export function SaidApart({ state: { question, disagreement } }: { state: QuestionState }) {
  const nameOf = useNameOf();
  return (
    <Notice tone="info" mark="differs" alert>
      Two of you answered this without seeing the other’s answer:{' '}
      {disagreement
        .map(({ by, value, unit }) => {
          const said = value === null ? 'nothing' : sayValue(question, value, unit, sayShortDay);
          return `${nameOf(by)} ${said}`;
        })
        .join(', ')}
      . Look again and answer once more, or leave it to the office.
    </Notice>
  );
}
