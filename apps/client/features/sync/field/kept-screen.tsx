import type { Operation } from '@ant-trail/contract/sync';
import { useState } from 'react';
import { ActionBar } from '@/design/action-bar.tsx';
import { Column, Row, Rule, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { FieldFoot, FieldHead, FieldPage } from '@/design/field-frame.tsx';
import { Mark } from '@/design/mark.tsx';
import { Notice } from '@/design/notice.tsx';
import { sayWhen } from '@/design/say-day.ts';
import { Body, Heading, Title } from '@/design/text.tsx';
import type { KeptPhoto, LocalStore, Waiting } from '@/device/local-store.ts';
import { saveFile } from '@/device/save-file.ts';
import { useLive } from '@/device/use-live.ts';
import { placeOf, sayOperation } from '@/device/waiting.ts';
import { useMe } from '@/features/accounts/session.ts';
import { useSync, type SyncState } from '../engine.ts';
import { useKept } from '../kept.ts';
import { letGo } from '../outbox.ts';
import { usePhone } from '../phone.tsx';
import { FieldNav } from './field-nav.tsx';

const STATE_WORDS: Record<SyncState, string> = {
  idle: 'Phone and office are in step.',
  sending: 'Sending and fetching now.',
  'no network': 'No network. Everything is kept here and goes out by itself later.',
  'office away':
    'There is a network, but the office does not answer. Everything is kept here and goes out by itself later.',
  'sign in': 'The office wants you to sign in again before it takes anything. Nothing is lost.',
  failed: 'Sending failed just now. It is tried again by itself.',
};

/** What is kept on this phone, what the office has, and what it refused and why. */
export function KeptScreen() {
  const { store, engine } = usePhone();
  const { organisation } = useMe();
  const kept = useKept();
  const state = useSync((sync) => sync.state);
  const mayBeCleared = useSync((sync) => sync.mayBeCleared);
  const waiting = useLive(() => store.outbox.orderBy('order').toArray(), [store]) ?? [];
  const photos =
    useLive(() => store.photos.filter((photo) => photo.receivedAt === null).toArray(), [store]) ??
    [];
  const places = useLive(() => placesKept(store), [store]) ?? new Map<string, Place>();
  const aside = useLive(() => store.aside.count(), [store]) ?? 0;
  const refused = waiting.filter((item) => item.refused !== null);
  const refusedPhotos = photos.filter((photo) => photo.refused !== null);
  const groups = group(store, waiting, photos, places);
  return (
    <FieldPage title="Sending">
      <FieldHead>
        <Title>Sending</Title>
        <Body small quiet>
          {state === 'idle' && kept && kept.refused > 0
            ? 'Everything else is in step with the office.'
            : STATE_WORDS[state]}
        </Body>
      </FieldHead>
      <Scroll render="main" id="main">
        {refused.length + refusedPhotos.length > 0 ? (
          <Column gap="$2" paddingBottom="$3">
            <Notice tone="eyes" mark="needs eyes">
              {sayRefused(refused.length + refusedPhotos.length)}
            </Notice>
            {refused.map((item) => (
              <Refused
                key={item.order}
                words={`${sayOperation(store, item.operation)} (${places.get(placeOf(store, item.operation))?.name ?? 'a visit'})`}
                why={item.refused ?? ''}
                onAgain={() => {
                  void store.outbox.update(item.order, { refused: null }).then(engine.soon);
                }}
                exported={item.operation}
                onLetGo={() => void letGo(store, item)}
              />
            ))}
            {refusedPhotos.map((photo) => (
              <Refused
                key={photo.sha256}
                words="A photo"
                why={photo.refused ?? ''}
                onAgain={() => {
                  void store.photos.update(photo.sha256, { refused: null }).then(engine.soon);
                }}
                exported={photo.bytes}
                onLetGo={() => void store.photos.delete(photo.sha256)}
              />
            ))}
          </Column>
        ) : null}
        {groups.length === 0 && kept?.refused === 0 ? (
          <Column padding="$4" gap="$2">
            <Row gap="$2">
              <Mark name="received" silent />
              <Heading>The office has everything</Heading>
            </Row>
            <Body quiet>
              {kept.lastReceipt
                ? `Last received ${sayWhen(kept.lastReceipt, organisation.timeZone)}.`
                : 'Nothing was recorded on this phone yet.'}
            </Body>
          </Column>
        ) : null}
        {groups.map(({ at, entries, pictures, since }) => (
          <Column key={at}>
            <Column padding="$4" gap="$1">
              <Row gap="$2">
                <Mark name={state === 'sending' ? 'sending' : 'finished'} silent />
                <Body strong>{places.get(at)?.name ?? 'For the office'}</Body>
              </Row>
              <Body small quiet>
                {sayCount(entries, pictures)} kept here since{' '}
                {sayWhen(since, organisation.timeZone)}
              </Body>
            </Column>
            <Rule />
          </Column>
        ))}
        <Column padding="$4" gap="$2">
          {aside > 0 ? (
            <Body small>
              {aside === 1 ? 'One thing' : `${aside} things`} from the office can only be shown by a
              newer version of this application. They are kept until it is here.
            </Body>
          ) : null}
          {mayBeCleared ? (
            <Body small>
              This browser has not promised to keep what is here when the phone runs out of space.
              Put the application on the home screen, and send before you clean up the phone.
            </Body>
          ) : null}
          <Body small quiet>
            {kept?.lastSync
              ? `Last in step with the office ${sayWhen(kept.lastSync, organisation.timeZone)}.`
              : 'Never in step with the office yet.'}
          </Body>
        </Column>
      </Scroll>
      <FieldFoot>
        <ActionBar
          words={state === 'sending' ? 'Sending …' : 'Send now'}
          busy={state === 'sending'}
          onPress={() => engine.now()}
        />
        <FieldNav />
      </FieldFoot>
    </FieldPage>
  );
}

interface RefusedProps {
  readonly words: string;
  readonly why: string;
  readonly onAgain: () => void;
  readonly exported: Operation | Blob;
  readonly onLetGo: () => void;
}

/** One thing the office refused: sent again, saved, and only once it is saved let go. */
function Refused({ words, why, onAgain, exported, onLetGo }: RefusedProps) {
  const [saved, setSaved] = useState(false);
  const save = (): void => {
    const blob =
      exported instanceof Blob ? exported : new Blob([JSON.stringify(exported, null, 2)]);
    saveFile(blob, exported instanceof Blob ? 'refused-photo.jpg' : 'refused.json');
    setSaved(true);
  };
  return (
    <Column paddingHorizontal="$4" paddingVertical="$2" gap="$2">
      <Body strong>{words}</Body>
      <Body small eyes>
        {why}
      </Body>
      <Row gap="$2" flexWrap="wrap">
        <Button dense onPress={onAgain}>
          Send again
        </Button>
        <Button dense onPress={save}>
          Save to a file
        </Button>
        {saved ? (
          <Button dense plain onPress={onLetGo}>
            Take it off this phone
          </Button>
        ) : null}
      </Row>
    </Column>
  );
}

const sayRefused = (count: number): string =>
  count === 1
    ? 'The office refused one thing. It stays here until you decide.'
    : `The office refused ${count} things. They stay here until you decide.`;

interface Group {
  /** A sheet or visit of it. */
  readonly at: string;
  readonly entries: number;
  readonly pictures: number;
  readonly since: string;
}

/** What waits, by the job it belongs to: its steps, its answers and its photos together. */
function group(
  store: LocalStore,
  waiting: readonly Waiting[],
  photos: readonly KeptPhoto[],
  places: ReadonlyMap<string, Place>,
): Group[] {
  const groups = new Map<string, Group>();
  const add = (at: string, entries: number, pictures: number, since: string): void => {
    const job = places.get(at)?.job ?? at;
    const known = groups.get(job) ?? { at, entries: 0, pictures: 0, since };
    groups.set(job, {
      at: known.at,
      entries: known.entries + entries,
      pictures: known.pictures + pictures,
      since: known.since < since ? known.since : since,
    });
  };
  for (const item of waiting)
    if (item.refused === null) {
      const id = placeOf(store, item.operation);
      add(
        id,
        1,
        0,
        Number.isNaN(Date.parse(item.queuedAt)) ? new Date().toISOString() : item.queuedAt,
      );
    }
  for (const photo of photos) if (photo.refused === null) add(photo.sheet, 0, 1, photo.takenAt);
  return [...groups.values()];
}

function sayCount(entries: number, pictures: number): string {
  const parts = [
    entries > 0 ? `${entries} ${entries === 1 ? 'entry' : 'entries'}` : '',
    pictures > 0 ? `${pictures} ${pictures === 1 ? 'photo' : 'photos'}` : '',
  ];
  return parts.filter(Boolean).join(' and ');
}

interface Place {
  readonly name: string;
  readonly job: string;
}

/** Where each sheet and each visit on this phone is, and each place itself. */
async function placesKept(store: LocalStore): Promise<Map<string, Place>> {
  const places = new Map<string, Place>();
  for (const { id, name } of await store.sites.toArray()) places.set(id, { name, job: id });
  for (const visit of await store.visits.toArray()) {
    const job = await store.jobs.get(visit.job);
    const site = job && (await store.sites.get(job.site));
    if (!job || !site) continue;
    const place = { name: site.name, job: job.id };
    for (const sheet of job.sheets) places.set(sheet.id, place);
    places.set(visit.id, place);
  }
  return places;
}
