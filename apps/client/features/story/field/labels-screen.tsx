import type { Asset } from '@ant-trail/contract/register';
import { byName } from '@ant-trail/core/register';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { ActionBar } from '@/design/action-bar.tsx';
import { Column, Row, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { FieldFoot, FieldHead, FieldPage } from '@/design/field-frame.tsx';
import { Notice } from '@/design/notice.tsx';
import { Body, Title } from '@/design/text.tsx';
import type { LocalStore } from '@/device/local-store.ts';
import { useLive } from '@/device/use-live.ts';
import { useMe } from '@/features/accounts/session.ts';
import { FindPlace } from '@/features/sites/field/find-place.tsx';
import { usePhone } from '@/features/sync/phone.tsx';
import { LabelReader } from '@/features/tags/field/label-reader.tsx';
import { putLabel, sayLabel, type Label } from '@/features/tags/field/label.ts';
import { placedThings } from './placed-things.ts';
import { ThingLine, type PlacedThing } from './thing-line.tsx';

/** What is asked before a label is moved, or another one is thrown away. */
interface Doubt {
  readonly label: Label;
  readonly thing: Asset;
  readonly words: string;
}

/** Labels are put on things one after the other: scan one, tap what it is on, scan the next. */
export function LabelsScreen() {
  const given = useLocalSearchParams<{ label?: string; thing?: string }>();
  const { store, engine } = usePhone();
  const { person } = useMe();
  const router = useRouter();
  const [site, setSite] = useState<string | null>(null);
  const [scanned, setScanned] = useState<Label | null>(null);
  const [scanning, setScanning] = useState(false);
  const [doubt, setDoubt] = useState<Doubt | null>(null);
  const [done, setDone] = useState<readonly string[]>([]);
  const [last, setLast] = useState<string | null>(null);
  const brought = useLive(() => broughtAlong(store, given), [store, given.label, given.thing]);
  const label = scanned ?? (done.length === 0 ? (brought?.label ?? null) : null);
  const thing = done.length === 0 ? (brought?.thing ?? null) : null;
  const here = site ?? brought?.thing?.site ?? null;
  const things = useLive(() => thingsAt(store, here), [store, here]) ?? [];
  const labelled = things.filter(({ number }) => number !== null).length;

  const put = async (put: Label, on: Asset): Promise<void> => {
    setDoubt(null);
    await putLabel(store, person.id, put, on.id);
    engine.soon();
    setDone([`${sayLabel(put)} is on ${on.name}.`, ...done]);
    setScanned(null);
    setLast(put.id);
    // The next one, without another tap.
    setScanning(true);
  };
  const meet = async (met: Label, on: Asset): Promise<void> => {
    if (met.asset === on.id) {
      setDone([`${sayLabel(met)} is on ${on.name} already.`, ...done]);
      setScanned(null);
      return;
    }
    const words = await doubtsAbout(store, met, on);
    if (words) setDoubt({ label: met, thing: on, words });
    else await put(met, on);
  };
  const read = (met: Label): void => {
    setScanning(false);
    if (thing) void meet(met, thing);
    else setScanned(met);
  };
  return (
    <FieldPage title="Labels">
      <FieldHead>
        <Row>
          <Button plain dense onPress={() => router.navigate('/find')}>
            ‹ Find
          </Button>
        </Row>
        <Title>Labels on things</Title>
      </FieldHead>
      <Column paddingHorizontal="$4" paddingBottom="$3" gap="$3">
        {thing ? null : (
          <FindPlace label="Where are you?" chosen={here} onChoose={setSite} missing={false} />
        )}
        {done[0] ? (
          <Body small role="status">
            {done[0]}
          </Body>
        ) : null}
        {label ? (
          <Notice tone="info" mark="next">
            {sayLabel(label)} in your hand:{' '}
            {here ? 'tap the thing it is on.' : 'say where you are.'}
          </Notice>
        ) : null}
        {thing ? (
          <Notice tone="info" mark="next">
            Scan the label that is on {thing.name}.
          </Notice>
        ) : null}
      </Column>
      <Scroll render="main" id="main">
        {here && !thing ? (
          <Column paddingHorizontal="$4" paddingBottom="$2">
            <Body small quiet>
              {things.length === 0
                ? 'Nothing is in the register here.'
                : `${labelled} of ${things.length} have a label.`}
            </Body>
          </Column>
        ) : null}
        <Column role="list" aria-label="Things here">
          {thing
            ? null
            : things.map((each) => (
                <ThingLine
                  key={each.thing.id}
                  placed={each}
                  onPress={() =>
                    label
                      ? void meet(label, each.thing)
                      : router.navigate(`/thing/${each.thing.id}`)
                  }
                />
              ))}
        </Column>
      </Scroll>
      <FieldFoot>
        <ActionBar
          words={label ? 'Scan another label' : 'Scan a label'}
          onPress={() => setScanning(true)}
        />
      </FieldFoot>
      {scanning ? (
        <LabelReader
          except={last}
          title={thing ? `the label of ${thing.name}` : 'the next label'}
          onRead={read}
          onClose={() => setScanning(false)}
        />
      ) : null}
      {doubt ? (
        <Dialog title="Is that right?" onClose={() => setDoubt(null)}>
          <Column gap="$3">
            <Body>{doubt.words}</Body>
            <Button main onPress={() => put(doubt.label, doubt.thing)}>
              It is on {doubt.thing.name} now
            </Button>
            <Button onPress={() => setDoubt(null)}>Leave it as it was</Button>
          </Column>
        </Dialog>
      ) : null}
    </FieldPage>
  );
}

async function broughtAlong(
  store: LocalStore,
  { label, thing }: { label?: string; thing?: string },
): Promise<{ label: Label | null; thing: Asset | null }> {
  const known = label ? await store.tags.get(label) : undefined;
  return {
    label: label ? { id: label, number: known?.number ?? '', asset: known?.asset ?? null } : null,
    thing: (thing ? await store.assets.get(thing) : null) ?? null,
  };
}

/** What stands at a place, what has no label first. */
async function thingsAt(store: LocalStore, site: string | null): Promise<PlacedThing[]> {
  if (site === null) return [];
  const things = await store.assets.where('site').equals(site).toArray();
  const placed = await placedThings(
    store,
    things.filter(({ retired }) => !retired).sort(byName),
    false,
  );
  return [...placed].sort((a, b) => Number(a.number !== null) - Number(b.number !== null));
}

/** Why somebody should look twice before this label goes on this thing; null where nothing speaks against it. */
async function doubtsAbout(store: LocalStore, label: Label, thing: Asset): Promise<string | null> {
  const before = label.asset ? await store.assets.get(label.asset) : undefined;
  const own = await store.tags.get({ asset: thing.id });
  const site = before ? await store.sites.get(before.site) : undefined;
  const words = [
    ...(before
      ? [
          `${sayLabel(label)} is on ${before.name}${site ? `, ${site.name}` : ''}, as far as is known.`,
        ]
      : []),
    ...(own
      ? [
          `${thing.name} has ${own.number ? sayLabel(own).toLowerCase() : 'a label'} already: throw that one away.`,
        ]
      : []),
  ];
  return words.length > 0 ? words.join(' ') : null;
}
