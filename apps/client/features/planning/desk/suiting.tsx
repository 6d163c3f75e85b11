import { SuitingAnswer, type Shortfall } from '@ant-trail/contract/planning/desk';
import { sayMinute } from '@ant-trail/core/calendar';
import { Column } from '@/design/box.tsx';
import { Notice } from '@/design/notice.tsx';
import { Body } from '@/design/text.tsx';
import { sayDatedDay, sayShortDay } from '@/design/say-day.ts';
import { useOffice } from '@/device/office.ts';
import { usePeople } from '@/features/accounts/desk/use-people.ts';

export interface SuitingProps {
  /** Whom the work is given to. */
  readonly chosen: readonly (string | null | undefined)[];
  /** What is asked of `/api/suiting`; null as long as too little is known. */
  readonly asked: Readonly<Record<string, string | number | null>> | null;
}

const NAMED = 3;
/** As much as two sentences take. */
const ROOM = 112;

/** What speaks against those who are chosen, and who has what it takes. It warns, and forbids nothing. */
export function Suiting({ chosen, asked }: SuitingProps) {
  const people = usePeople();
  const theirs = chosen.filter((id) => typeof id === 'string' && id !== '');
  const query = asked && new URLSearchParams(asked as Record<string, string>).toString();
  const { answer, problem } = useOffice(
    SuitingAnswer,
    query && theirs.length > 0 ? `/api/suiting?${query}` : null,
    ['person', 'client', 'template'],
  );
  const short = (answer?.people ?? []).filter(
    ({ id, lacks }) => theirs.includes(id) && lacks.length > 0,
  );
  if (!query || theirs.length === 0) return null;
  const suits = (answer?.people ?? [])
    .filter(({ id, lacks }) => lacks.length === 0 && !theirs.includes(id))
    .map(({ id }) => people.name(id));
  return (
    // Its room is there before it is known: nothing below moves away from under a hand.
    <Column gap="$2" role="status" minHeight={ROOM}>
      {answer ? null : (
        <Body small quiet>
          {problem ?? 'Looking whom it suits …'}
        </Body>
      )}
      {short.map(({ id, lacks }) => (
        <Notice key={id} tone="eyes" mark="needs eyes">
          {people.name(id)}: {lacks.map(sayShortfall).join('; ')}.
        </Notice>
      ))}
      {short.length > 0 ? <Notice tone="info">{saySuiting(suits)}</Notice> : null}
      {answer && short.length === 0 ? (
        <Notice tone="info">
          {theirs.length === 1 ? people.name(theirs[0] ?? '') : 'Everybody chosen'} has all it
          takes, and is there at that time.
        </Notice>
      ) : null}
    </Column>
  );
}

const together = new Intl.ListFormat('en-GB', { type: 'conjunction' });

function saySuiting(names: readonly string[]): string {
  if (names.length === 0) return 'Nobody else has all it takes at that time.';
  const rest = names.length - NAMED;
  const said = together.format([...names.slice(0, NAMED), ...(rest > 0 ? [`${rest} more`] : [])]);
  return `With all it takes, and there at that time: ${said}.`;
}

/** A shortfall in words, as after “Imke Dorrance: ”. */
export function sayShortfall(lack: Shortfall): string {
  switch (lack.code) {
    case 'no credential':
      return `has no ${lack.name}, which this work takes`;
    case 'credential expired':
      return `${lack.name} valid only to ${sayDatedDay(lack.on)}`;
    case 'no skill':
      return `“${lack.name}” is not among the skills`;
    case 'absent':
      return [
        lack.from === lack.to
          ? `away on ${sayShortDay(lack.from)}`
          : `away from ${sayShortDay(lack.from)} to ${sayShortDay(lack.to)}`,
        lack.why && `(${lack.why})`,
      ]
        .filter(Boolean)
        .join(' ');
    case 'outside hours':
      return lack.hours.length === 0
        ? 'does not work on that day of the week'
        : `works ${lack.hours.map(({ from, to }) => `${sayMinute(from)} to ${sayMinute(to)}`).join(', ')} that day`;
  }
}
