import type { QueueItem } from '@ant-trail/contract/review';
import { standsOut } from '@ant-trail/core/review';
import { Row, Scroll } from '@/design/box.tsx';
import { Mark } from '@/design/mark.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { Body, Heading } from '@/design/text.tsx';
import { useMe } from '@/features/accounts/session.ts';
import { sayWhen } from '@/features/planning/wording.ts';

export interface QueuePaneProps {
  readonly items: readonly QueueItem[];
  readonly loaded: boolean;
  readonly current: string | null;
  readonly onOpen: (sheet: string) => void;
}

/** What waits to be read, worst first. */
export function QueuePane({ items, loaded, current, onOpen }: QueuePaneProps) {
  const { organisation } = useMe();
  return (
    <Scroll
      render="nav"
      aria-label="Waiting to be read"
      flexGrow={0}
      flexShrink={1}
      flexBasis={264}
      minWidth={150}
      borderRightWidth={1}
      borderColor="$rule"
    >
      <Heading padding="$4" paddingBottom="$3">
        {loaded ? `${items.length} to read, worst first` : ' '}
      </Heading>
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
            borderLeftColor={isHere ? '$sun' : 'transparent'}
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
          </PressableRow>
        );
      })}
    </Scroll>
  );
}
