import { sayLength, sayMinute } from '@ant-trail/core/calendar';
import { sayDistance } from '@ant-trail/core/geo';
import type { DayOrder } from '@ant-trail/core/planning/order';
import { useEffect, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Notice } from '@/design/notice.tsx';
import { Body, Figure } from '@/design/text.tsx';
import { useNow } from '@/device/use-now.ts';
import { useMe } from '@/features/accounts/session.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { lookForOrder, movedIn, ownDayOfWork, takeOwnOrder } from './own-order.ts';
import type { TrailStop } from './trail.ts';

export interface OwnOrderDialogProps {
  readonly day: string;
  readonly stops: readonly TrailStop[];
  readonly onClose: () => void;
}

type Looked =
  | { readonly is: 'looking' | 'in trouble' }
  | { readonly is: 'found'; readonly order: DayOrder; readonly isLast: boolean };

/** The rest of the day in a better order, looked for on this phone: taken, or left as it is. */
export function OwnOrderDialog({ day, stops: all, onClose }: OwnOrderDialogProps) {
  const { store, engine } = usePhone();
  const { person, organisation } = useMe();
  const { minute } = useNow(organisation.timeZone);
  const [looked, setLooked] = useState<Looked>({ is: 'looking' });
  // What it was looked for with: the day goes on meanwhile.
  const [{ stops, now }] = useState({ stops: all, now: minute });
  useEffect(() => {
    let stop = (): void => undefined;
    let over = false;
    const look = async (): Promise<void> => {
      const home = person.startsAt ? await store.sites.get(person.startsAt) : undefined;
      const layers = await store.mapLayers.toArray();
      if (over) return;
      const { timeZone } = organisation;
      stop = lookForOrder(
        ownDayOfWork({ person, startsAt: home ?? null, day, now, timeZone, stops }),
        layers,
        (order, isLast) => setLooked({ is: 'found', order, isLast }),
        () => setLooked({ is: 'in trouble' }),
      );
    };
    void look();
    return () => {
      over = true;
      stop();
    };
  }, [store, person, organisation, day, now, stops]);
  const moved = looked.is === 'found' ? movedIn(looked.order, stops) : [];
  const take = async (): Promise<void> => {
    await takeOwnOrder(store, person.id, day, moved);
    engine.soon();
    onClose();
  };
  return (
    <Dialog title="A better order of your stops" onClose={onClose} easy>
      <Column gap="$3">
        {looked.is === 'looking' ? <Body role="status">Looking for one …</Body> : null}
        {looked.is === 'in trouble' ? (
          <Notice tone="eyes" alert>
            It could not be looked for on this phone. Your stops stay as they are.
          </Notice>
        ) : null}
        {looked.is === 'found' ? (
          <>
            <Body strong role="status">
              {sayGain(looked.order, moved.length)}
            </Body>
            {moved.length > 0 ? (
              <NewOrder
                order={looked.order}
                stops={stops}
                moved={new Set(moved.map((each) => each.visit))}
              />
            ) : null}
            <Body small quiet>
              {looked.isLast
                ? 'What is promised stays as it is promised. The office sees what you take.'
                : 'A better one is still being looked for …'}
            </Body>
            {moved.length > 0 ? (
              <Button main onPress={take}>
                Walk it like this
              </Button>
            ) : null}
            <Button onPress={onClose}>Leave it as it is</Button>
          </>
        ) : null}
      </Column>
    </Dialog>
  );
}

function sayGain({ before, after }: DayOrder, moved: number): string {
  const minutes = before.minutes - after.minutes;
  const metres = before.metres - after.metres;
  if (moved === 0 || minutes <= 0) return 'Your stops are in a good order as they are.';
  const less = metres > 0 ? ` and ${sayDistance(metres)}` : '';
  return `${sayLength(minutes)}${less} less on the way.`;
}

interface NewOrderProps {
  readonly order: DayOrder;
  readonly stops: readonly TrailStop[];
  readonly moved: ReadonlySet<string>;
}

/** The stops as they would be walked; those that move have their hour of before beside it. */
const NewOrder = ({ order, stops, moved }: NewOrderProps) => (
  <Column role="list" aria-label="As they would be walked" gap="$2">
    {(order.trails[0]?.stops ?? []).map(({ visit: id, start }) => {
      const stop = stops.find(({ visit }) => visit.id === id);
      if (!stop) return null;
      return (
        <Row key={id} role="listitem" gap="$3" alignItems="baseline">
          <Figure small>{sayMinute(start)}</Figure>
          <Column flex={1}>
            <Body strong={moved.has(id)}>{stop.site.name}</Body>
            {moved.has(id) ? (
              <Body tiny quiet>
                until now {sayMinute(stop.visit.start)}
              </Body>
            ) : null}
          </Column>
        </Row>
      );
    })}
  </Column>
);
