import type { Favourite } from '@ant-trail/contract/planning';
import { Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { officeTime } from '@/device/clock.ts';
import { newId } from '@/device/identity.ts';
import { useLive } from '@/device/use-live.ts';
import { useMe } from '@/features/accounts/session.ts';
import { doHere } from '@/features/sync/outbox.ts';
import { usePhone } from '@/features/sync/phone.tsx';

/** The places, or the sheets, their person wants first. */
export function useFavourites(of: Favourite['of']): ReadonlySet<string> {
  const { store } = usePhone();
  const kept = useLive(
    () => store.favourites.filter((each) => each.on && each.of === of).primaryKeys(),
    [store, of],
  );
  return new Set(kept);
}

export interface AsFavouriteProps {
  readonly of: Favourite['of'];
  /** The place, or the template. */
  readonly chosen: string | null;
}

/** Has what was chosen stand first from now on, or no longer. */
export function AsFavourite({ of, chosen }: AsFavouriteProps) {
  const { store, engine } = usePhone();
  const { person } = useMe();
  const isOne = useFavourites(of).has(chosen ?? '');
  if (chosen === null) return null;
  const say = async (): Promise<void> => {
    await doHere(store, {
      kind: 'favourite',
      body: {
        ...{ id: newId(), of, ref: chosen, on: !isOne, by: person.id },
        at: officeTime().toISOString(),
      },
    });
    engine.soon();
  };
  return (
    <Row>
      <Button dense plain onPress={say}>
        {isOne ? `This ${of} need not stand first` : `Have this ${of} stand first`}
      </Button>
    </Row>
  );
}

/** Those somebody wants first, before the others; otherwise in the order they come. */
export const favouritesFirst = <Each,>(
  all: readonly Each[],
  favourites: ReadonlySet<string>,
  idOf: (each: Each) => string,
): Each[] => [
  ...all.filter((each) => favourites.has(idOf(each))),
  ...all.filter((each) => !favourites.has(idOf(each))),
];
