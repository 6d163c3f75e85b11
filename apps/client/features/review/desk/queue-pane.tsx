import { standsOut } from '@ant-trail/core/review';
import { Column, Row, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Mark } from '@/design/mark.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { sayWhen } from '@/design/say-day.ts';
import { Body, Heading } from '@/design/text.tsx';
import { Tick } from '@/design/tick.tsx';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { TextFilter } from '@/features/lists/desk/text-filter.tsx';
import { useNarrowed, type Queue } from './use-queue.ts';

export interface QueuePaneProps {
  readonly queue: Queue;
  readonly current: string | null;
  /** It has the page for itself. */
  readonly whole?: boolean;
  readonly onOpen: (sheet: string) => void;
}

/** What waits to be read, worst first. */
export function QueuePane({ queue, current, whole = false, onOpen }: QueuePaneProps) {
  const { organisation } = useMe();
  const { all, text } = useNarrowed();
  const { name: nameOf } = usePeople();
  const { person: me } = useMe();
  const { rows: items, total, more } = queue;
  return (
    <Scroll
      render="nav"
      aria-label="Waiting to be read"
      flexGrow={whole ? 1 : 0}
      flexShrink={1}
      flexBasis={whole ? 0 : 264}
      minWidth={150}
      borderRightWidth={whole ? 0 : 1}
      borderColor="$rule"
    >
      <Column padding="$4" paddingBottom="$3" gap="$3">
        <Heading render={whole ? 'h1' : 'h2'}>
          {total === undefined ? ' ' : `${total} to read, worst first`}
        </Heading>
        <TextFilter
          label="Place, job or person"
          query={{ text }}
          onChange={(to) => useNarrowed.setState({ text: to.text ?? '' })}
        />
        {queue.canBeOwn ? (
          <Tick
            label="also what others are to read"
            on={all}
            onPress={() => useNarrowed.setState({ all: !all })}
          />
        ) : null}
      </Column>
      {total === 0 ? (
        <Body quiet padding="$4">
          Finished sheets appear here by themselves, the worst first.
        </Body>
      ) : null}
      {items.map((item) => {
        const unusual = standsOut(item.summary);
        const isHere = item.sheet === current;
        return (
          <PressableRow
            key={item.sheet}
            onPress={() => onOpen(item.sheet)}
            aria-current={isHere ? 'true' : undefined}
            paddingHorizontal="$4"
            paddingVertical="$3"
            borderBottomWidth={1}
            borderLeftWidth={5}
            borderBottomColor="$rule"
            borderLeftColor={isHere ? '$trail' : 'transparent'}
            backgroundColor={isHere ? '$sheet' : 'transparent'}
            gap={3}
          >
            <Body small strong>
              {item.siteName}
              {item.job.sheets.length > 1 ? ` · ${item.job.title.toLowerCase()}` : ''}
            </Body>
            <Row gap={5} alignItems="flex-start">
              {unusual.length > 0 ? <Mark name="needs eyes" size={14} silent /> : null}
              <Body tiny quiet={unusual.length === 0}>
                {unusual.length > 0 ? unusual.join(' · ') : 'nothing unusual'}
                {item.finishedAt ? ` · ${sayWhen(item.finishedAt, organisation.timeZone)}` : ''}
              </Body>
            </Row>
            {item.job.reader && item.job.reader !== me.id ? (
              <Body tiny quiet>
                for {nameOf(item.job.reader)} to read
              </Body>
            ) : null}
          </PressableRow>
        );
      })}
      {more ? (
        <Column padding="$3">
          <Button dense onPress={more}>
            Show more
          </Button>
        </Column>
      ) : null}
    </Scroll>
  );
}
