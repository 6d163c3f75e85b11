import { useRouter } from 'expo-router';
import { useDeferredValue, useState } from 'react';
import { ActionBar } from '@/design/action-bar.tsx';
import { Column, Row, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { FieldFoot, FieldHead, FieldPage } from '@/design/field-frame.tsx';
import { Input } from '@/design/input.tsx';
import { Body, Title } from '@/design/text.tsx';
import { useLive } from '@/device/use-live.ts';
import { FieldNav } from '@/features/sync/field/field-nav.tsx';
import { usePhone } from '@/features/sync/phone.tsx';
import { LabelReader } from '@/features/tags/field/label-reader.tsx';
import type { Label } from '@/features/tags/field/label.ts';
import { LooseLabelDialog } from './loose-label-dialog.tsx';
import { placedThings } from './placed-things.ts';
import { ThingLine } from './thing-line.tsx';
import { ThingsHere } from './things-here.tsx';
import { useFinder } from './use-finder.ts';

/** So many are shown; whoever seeks among more writes more. */
const SHOWN = 40;

/** Everything that stands at the places of one's branch: found by name or by its label, with no network. */
export function FindScreen() {
  const { store } = usePhone();
  const router = useRouter();
  const finder = useFinder();
  const [words, setWords] = useState('');
  const sought = useDeferredValue(words);
  const [scanning, setScanning] = useState(false);
  const [loose, setLoose] = useState<Label | null>(null);
  const found = finder?.find(sought, SHOWN);
  const placed = useLive(async () => {
    const things = await store.assets.bulkGet([...(found?.ids ?? [])]);
    return placedThings(
      store,
      things.flatMap((thing) => thing ?? []),
    );
  }, [store, found?.ids.join(' ')]);
  const read = async (label: Label): Promise<void> => {
    setScanning(false);
    const thing = label.asset ? await store.assets.get(label.asset) : null;
    if (thing) router.navigate(`/thing/${thing.id}`);
    else setLoose(label);
  };
  return (
    <FieldPage title="Find a thing">
      <FieldHead>
        <Row className="to-hand" justifyContent="space-between" gap="$2" flexWrap="wrap">
          <Title>Find a thing</Title>
          <Row gap="$2">
            <Button dense onPress={() => router.navigate('/documents-here')}>
              Documents
            </Button>
            <Button dense onPress={() => router.navigate('/around')}>
              Map
            </Button>
          </Row>
        </Row>
      </FieldHead>
      <Column paddingHorizontal="$4" paddingBottom="$3">
        <Input label="Name, kind, place or number" value={words} onChange={setWords} enter="done" />
      </Column>
      <Scroll render="main" id="main">
        {finder && sought.trim() === '' ? (
          <Column paddingHorizontal="$4" gap="$2">
            <Body quiet>
              {finder.count === 0
                ? 'Nothing is in the register of your places yet.'
                : `${sayCount(finder.count)} at your branch’s places ${finder.count === 1 ? 'is' : 'are'} on this phone. Write a part of a name, or scan a label.`}
            </Body>
            {finder.count > 0 ? (
              <Row>
                <Button dense onPress={() => router.navigate('/labels')}>
                  Put labels on things
                </Button>
              </Row>
            ) : null}
          </Column>
        ) : null}
        {found && sought.trim() !== '' && found.total === 0 ? (
          <Column paddingHorizontal="$4">
            <Body quiet>Nothing on this phone is called that.</Body>
          </Column>
        ) : null}
        {sought.trim() === '' ? <ThingsHere /> : null}
        <Column role="list" aria-label="Found">
          {(placed ?? []).map((each) => (
            <ThingLine
              key={each.thing.id}
              placed={each}
              onPress={() => router.navigate(`/thing/${each.thing.id}`)}
            />
          ))}
        </Column>
        {found && found.total > SHOWN ? (
          <Column padding="$4">
            <Body small quiet>
              {found.total - SHOWN} more fit. Write more of the name.
            </Body>
          </Column>
        ) : null}
      </Scroll>
      <FieldFoot>
        <ActionBar words="Scan a label" onPress={() => setScanning(true)} />
        <FieldNav />
      </FieldFoot>
      {scanning ? (
        <LabelReader
          title="the label"
          onRead={(label) => void read(label)}
          onClose={() => setScanning(false)}
        />
      ) : null}
      {loose ? <LooseLabelDialog label={loose} onClose={() => setLoose(null)} /> : null}
    </FieldPage>
  );
}

const sayCount = (count: number): string => (count === 1 ? 'One thing' : `${count} things`);
