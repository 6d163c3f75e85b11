import type { FoundPlace } from '@ant-trail/contract/sites';
import { distanceMetres, sayDistance, type Fix, type Place } from '@ant-trail/core/geo';
import { useEffect, useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { Notice } from '@/design/notice.tsx';
import { Body } from '@/design/text.tsx';
import { officeTime } from '@/device/clock.ts';
import { newId } from '@/device/identity.ts';
import type { LocalStore } from '@/device/local-store.ts';
import { currentFix } from '@/device/position.ts';
import { useLive } from '@/device/use-live.ts';
import { doHere } from '@/features/sync/outbox.ts';
import { usePhone } from '@/features/sync/phone.tsx';

/** So near, a known place is perhaps the one somebody stands at, in metres (our own choice). */
const NEAR_M = 400;
const MOST_NEAR = 3;

export type PlaceSaid = Pick<FoundPlace, 'name' | 'address'>;

export interface FoundPlaceFieldsProps {
  readonly said: PlaceSaid;
  readonly onChange: (said: PlaceSaid) => void;
  /** It is one that was known all along. */
  readonly onKnown: (site: string) => void;
  readonly missing: boolean;
}

/** A place the office did not know of: what it is called, and whether it is not one of those near by. */
export function FoundPlaceFields({ said, onChange, onKnown, missing }: FoundPlaceFieldsProps) {
  const { store } = usePhone();
  const [fix, setFix] = useState<Fix | null | undefined>(undefined);
  useEffect(() => {
    void currentFix().then(setFix);
  }, []);
  const near =
    useLive(async () => (fix ? nearBy(await store.sites.toArray(), fix) : []), [store, fix]) ?? [];
  return (
    <Column gap="$3">
      {near.length > 0 ? (
        <Notice tone="info">
          <Column gap="$2">
            <Body small>Is it one of these?</Body>
            {near.map(({ site, metres }) => (
              <Button key={site.id} dense onPress={() => onKnown(site.id)}>
                {site.name}, {sayDistance(metres)} away
              </Button>
            ))}
          </Column>
        </Notice>
      ) : null}
      <Input
        label="What the place is called"
        value={said.name}
        onChange={(name) => onChange({ ...said, name })}
        problem={missing && !said.name.trim() ? 'Say what it is called.' : undefined}
      />
      <Input
        label="How it is found again"
        value={said.address}
        onChange={(address) => onChange({ ...said, address })}
        help="An address, or a word such as “behind the lime kiln”."
      />
      <Body small quiet>
        {fix === undefined
          ? 'Looking where you are …'
          : fix
            ? 'It is kept where you are now. The office looks at it.'
            : 'Your phone can’t tell where you are: the office is told to look where it lies.'}
      </Body>
    </Column>
  );
}

const nearBy = <Site extends Place & { retired: boolean }>(sites: readonly Site[], fix: Fix) =>
  sites
    .filter(({ retired }) => !retired)
    .map((site) => ({ site, metres: distanceMetres(fix, site) }))
    .filter(({ metres }) => metres <= NEAR_M)
    .sort((a, b) => a.metres - b.metres)
    .slice(0, MOST_NEAR);

/** Keeps a place that was found here, where the phone says it is or, where it can’t, where its person was last. Gives its id. */
export async function keepFoundPlace(
  store: LocalStore,
  by: string,
  { name, address }: PlaceSaid,
): Promise<string | null> {
  const fix = await currentFix();
  const at = fix ?? (await lastPlace(store, by));
  if (!at) return null;
  const body: FoundPlace = {
    ...{ id: newId(), name: name.trim(), address: address.trim(), lat: at.lat, lon: at.lon },
    ...{ sure: fix !== null, by, at: officeTime().toISOString() },
  };
  await doHere(store, { kind: 'place found', body });
  return body.id;
}

/** Where somebody arrived last as far as this phone knows; else any of its places. */
async function lastPlace(store: LocalStore, person: string): Promise<Place | undefined> {
  const visits = await store.visits.filter((visit) => visit.person === person).toArray();
  const arrivals = visits.flatMap(({ job, events }) =>
    events.filter(({ kind }) => kind === 'arrived').map(({ id }) => ({ job, id })),
  );
  const [last] = arrivals.sort((a, b) => (a.id < b.id ? 1 : -1));
  const job = last && (await store.jobs.get(last.job));
  return (job && (await store.sites.get(job.site))) ?? (await store.sites.toCollection().first());
}
