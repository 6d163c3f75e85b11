import type { Message } from '@ant-trail/contract/messages';
import { Column, Leaf } from '@/design/box.tsx';
import { sayWhen } from '@/design/say-day.ts';
import { Body } from '@/design/text.tsx';

export interface MessageLinesProps {
  readonly messages: readonly Message[];
  readonly timeZone: string;
  /** Whether the reader's side wrote it: theirs stand to the right. */
  readonly isOurs: (message: Message) => boolean;
  readonly nameOf: (id: string) => string;
  /** Not with the office yet. */
  readonly waiting?: ReadonlySet<string>;
}

/** What was written to and fro, the oldest first. */
export function MessageLines(props: MessageLinesProps) {
  const { messages, timeZone, isOurs, nameOf, waiting } = props;
  return (
    <Column role="list" aria-label="Messages" gap="$3">
      {messages.map((message) => {
        const ours = isOurs(message);
        const standing = waiting?.has(message.id)
          ? 'kept here'
          : message.seenAt
            ? `read ${sayWhen(message.seenAt, timeZone)}`
            : ours
              ? 'not read yet'
              : '';
        return (
          <Column
            key={message.id}
            role="listitem"
            maxWidth="85%"
            alignSelf={ours ? 'flex-end' : 'flex-start'}
            gap={2}
          >
            <Leaf padding="$3" strong={!ours && message.seenAt === null}>
              <Body style={{ whiteSpace: 'pre-wrap', overflowWrap: 'anywhere' }}>
                {message.text}
              </Body>
            </Leaf>
            <Body small quiet textAlign={ours ? 'right' : 'left'}>
              {[
                nameOf(message.by),
                sayWhen(message.at, timeZone),
                message.siteName ? `about ${message.siteName}` : '',
                standing,
              ]
                .filter(Boolean)
                .join(' · ')}
            </Body>
          </Column>
        );
      })}
    </Column>
  );
}
