import { byName } from '@ant-trail/core/register';
import { useRouter } from 'expo-router';
import { Column } from '@/design/box.tsx';
import { Heading } from '@/design/text.tsx';
import type { LocalStore } from '@/device/local-store.ts';
import { useLive } from '@/device/use-live.ts';
import { useTrail } from '@/features/planning/field/use-trail.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { placedThings } from './placed-things.ts';
import { ThingLine } from './thing-line.tsx';

async function thingsOf(store: LocalStore, site: string) {
  const things = await store.assets.where('site').equals(site).toArray();
  return placedThings(store, things.filter(({ retired }) => !retired).sort(byName), false);
}

/** What stands where one is, or goes next: most often it is one of these that is looked for. */
export function ThingsHere() {
  const { store } = usePhone();
  const router = useRouter();
  const { trail } = useTrail(0);
  const site = trail?.next?.site;
  const things = useLive(async () => (site ? thingsOf(store, site.id) : []), [store, site?.id]);
  if (!site || !things || things.length === 0) return null;
  return (
    <Column paddingTop="$4">
      <Column paddingHorizontal="$4" paddingBottom="$1">
        <Heading>At {site.name}</Heading>
      </Column>
      <Column role="list" aria-label={`What stands at ${site.name}`}>
        {things.map((each) => (
          <ThingLine
            key={each.thing.id}
            placed={each}
            onPress={() => router.navigate(`/thing/${each.thing.id}`)}
          />
        ))}
      </Column>
    </Column>
  );
}
