import { hazardsOn } from '@ant-trail/core/planning';
import { sayFact } from '@ant-trail/core/fields';
import { CONDITION_RULES, sameKind } from '@ant-trail/core/register';
import { sayTagNumber } from '@ant-trail/core/tags';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { ActionBar } from '@/design/action-bar.tsx';
import { Column, Row, Rule, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { FieldFoot, FieldHead, FieldPage } from '@/design/field-frame.tsx';
import { Mark } from '@/design/mark.tsx';
import { Hazards } from '@/design/hazards.tsx';
import { sayDatedDay } from '@/design/say-day.ts';
import { Body, Figure, Heading, Title } from '@/design/text.tsx';
import type { LocalStore } from '@/device/local-store.ts';
import { useLive } from '@/device/use-live.ts';
import { useNow } from '@/device/use-now.ts';
import { useMe } from '@/features/accounts/session.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { DocumentLines, useDocumentsAbout } from '@/features/documents/field/document-lines.tsx';
import { aboutThing } from '@/features/documents/field/documents-about.ts';
import { BeginHereDialog } from './begin-here-dialog.tsx';
import { placedThings } from './placed-things.ts';
import { ReadingsHere } from './readings-here.tsx';
import { readingsOfThing } from './readings-of-thing.ts';
import { ThingLine } from './thing-line.tsx';

async function loadThing(store: LocalStore, id: string) {
  const thing = await store.assets.get(id);
  if (!thing) return null;
  const [placed] = await placedThings(store, [thing]);
  const held = await store.assets.where('within').equals(id).toArray();
  const kinds = await store.assetKinds.toArray();
  const fields = kinds.find(({ name }) => sameKind(name, thing.kind))?.fields ?? [];
  const jobs = await store.jobs.where('site').equals(thing.site).toArray();
  return {
    thing,
    where: placed?.where ?? '',
    number: placed?.number ?? null,
    site: await store.sites.get(thing.site),
    known: fields.flatMap((field) => {
      const said = sayFact(field, thing.facts, sayDatedDay);
      return said ? [{ label: field.label, said }] : [];
    }),
    held: await placedThings(
      store,
      held.filter(({ retired }) => !retired).sort((a, b) => a.name.localeCompare(b.name)),
      false,
    ),
    belongs: (await store.assets.bulkGet([...thing.alsoIn])).flatMap((area) =>
      area && !area.retired ? [{ id: area.id, name: area.name, serves: area.purposes }] : [],
    ),
    readings: await readingsOfThing(store, thing),
    sheets: jobs.flatMap((job) => job.sheets.filter(({ asset }) => asset === id)),
  };
}

/** What this phone knows of a thing, and the way to work at it. */
export function ThingScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const { store } = usePhone();
  const { timeZone } = useMe().organisation;
  const { day: today } = useNow(timeZone);
  const router = useRouter();
  const found = useLive(() => loadThing(store, id), [store, id]);
  const [beginning, setBeginning] = useState(false);
  return (
    <FieldPage title={found?.thing.name ?? 'A thing'}>
      <FieldHead>
        <Row>
          <Button plain dense onPress={() => router.navigate('/find')}>
            ‹ Find
          </Button>
        </Row>
      </FieldHead>
      <Scroll render="main" id="main">
        {found === null ? (
          <Column padding="$4" gap="$2">
            <Heading>This thing is not on your phone</Heading>
            <Body quiet>It may stand at a place of another branch.</Body>
          </Column>
        ) : null}
        {found ? (
          <>
            <Column paddingHorizontal="$4" gap="$1" paddingBottom="$3">
              <Title>{found.thing.name}</Title>
              <Body small quiet>
                {[found.thing.kind, found.where].filter(Boolean).join(' · ')}
              </Body>
              <Row gap="$2">
                <Mark name={CONDITION_RULES[found.thing.condition].mark} silent />
                <Body small>
                  {found.thing.condition === 'unknown'
                    ? 'Nobody has said how it is'
                    : `Condition: ${found.thing.condition}`}
                </Body>
              </Row>
            </Column>
            {found.site ? <Hazards hazards={hazardsOn(found.site, today)} /> : null}
            <Column padding="$4" gap="$2">
              <Heading>What is known</Heading>
              {found.known.length === 0 ? <Body quiet>Nothing more than its name.</Body> : null}
              {found.known.map(({ label, said }) => (
                <Row key={label} gap="$3" justifyContent="space-between" alignItems="flex-start">
                  <Body quiet>{label}</Body>
                  <Body strong textAlign="right" flexShrink={1}>
                    {said}
                  </Body>
                </Row>
              ))}
              {found.belongs.map(({ id: area, name, serves }) => (
                <Row key={area} gap="$3" justifyContent="space-between" alignItems="flex-start">
                  <Body quiet>For {serves.join(' and ')}</Body>
                  <Body strong textAlign="right" flexShrink={1}>
                    {name}
                  </Body>
                </Row>
              ))}
            </Column>
            <ReadingsHere readings={found.readings} timeZone={timeZone} />
            <Rule />
            <Column padding="$4" gap="$2">
              <Heading>Label</Heading>
              {found.number ? (
                <Figure strong>{sayTagNumber(found.number)}</Figure>
              ) : (
                <Body quiet>
                  {found.number === null ? 'It has none.' : 'It has one; its number comes later.'}
                </Body>
              )}
              <Row>
                <Button dense onPress={() => router.navigate(`/labels?thing=${found.thing.id}`)}>
                  {found.number === null ? 'Put a label on it' : 'Put another label on it'}
                </Button>
              </Row>
            </Column>
            <DocumentsOfThing thing={found.thing} />
            {found.sheets.length > 0 ? (
              <>
                <Rule />
                <Column padding="$4" gap="$2">
                  <Heading>Sheets about it on your trail</Heading>
                  {found.sheets.map((sheet) => (
                    <Button key={sheet.id} onPress={() => router.navigate(`/sheet/${sheet.id}`)}>
                      {sheet.title}
                    </Button>
                  ))}
                </Column>
              </>
            ) : null}
            {found.held.length > 0 ? (
              <>
                <Rule />
                <Column paddingTop="$4">
                  <Column paddingHorizontal="$4">
                    <Heading>In it</Heading>
                  </Column>
                  <Column role="list" aria-label="In it">
                    {found.held.map((each) => (
                      <ThingLine
                        key={each.thing.id}
                        placed={each}
                        onPress={() => router.navigate(`/thing/${each.thing.id}`)}
                      />
                    ))}
                  </Column>
                </Column>
              </>
            ) : null}
          </>
        ) : null}
      </Scroll>
      {found && !found.thing.retired ? (
        <FieldFoot>
          <ActionBar words="Work at it now" onPress={() => setBeginning(true)} />
        </FieldFoot>
      ) : null}
      {found && beginning ? (
        <BeginHereDialog thing={found.thing} onClose={() => setBeginning(false)} />
      ) : null}
    </FieldPage>
  );
}

/** Documents about it and about its kind, where there are any. */
function DocumentsOfThing({ thing }: { thing: { readonly id: string; readonly kind: string } }) {
  const documents = useDocumentsAbout((store) => aboutThing(store, thing), [thing.id, thing.kind]);
  if (documents.length === 0) return null;
  return (
    <>
      <Rule />
      <Column padding="$4" gap="$2">
        <Heading>Documents</Heading>
        <DocumentLines documents={documents} />
      </Column>
    </>
  );
}
