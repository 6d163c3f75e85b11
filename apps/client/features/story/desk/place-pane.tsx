import type { Asset } from '@ant-trail/contract/register';
import type { Site } from '@ant-trail/contract/sites';
import { CONDITION_RULES } from '@ant-trail/core/register';
import { useRouter } from 'expo-router';
import { Column, Row, Scroll } from '@/design/box.tsx';
import { Button, CallLink, OutsideLink } from '@/design/button.tsx';
import { Dots } from '@/design/dots.tsx';
import { Mark } from '@/design/mark.tsx';
import { Body, Heading, Title } from '@/design/text.tsx';
import { ArrivalPanel } from '@/features/arrival/desk/arrival-panel.tsx';
import { DocumentsPanel } from '@/features/documents/desk/documents-panel.tsx';
import { OwnFacts } from '@/features/fields/desk/own-facts.tsx';
import { SiteNotes } from '@/features/sites/desk/site-notes.tsx';

const degrees = (value: number, [plus, minus]: readonly [string, string]): string =>
  `${Math.abs(value).toFixed(4)} ${value < 0 ? minus : plus}`;

/** The place as a whole: how to get in, who to call, what needs eyes, what whoever comes next should know. */
export function PlacePane({ site, things }: { site: Site; things: readonly Asset[] }) {
  const router = useRouter();
  const worrying = things.filter(
    ({ condition, retired }) => !retired && CONDITION_RULES[condition].needsEyes,
  );
  return (
    <Scroll render="main" id="main" flexGrow={1} tabIndex={0} aria-label={site.name}>
      <Column padding="$5" gap="$4" maxWidth={820}>
        <Row justifyContent="space-between" gap="$3" flexWrap="wrap">
          <Title>{site.name}</Title>
          <Button dense onPress={() => router.navigate(`/jobs?site=${site.id}`)}>
            Jobs here
          </Button>
        </Row>
        <Column gap="$1">
          <Heading>Getting in</Heading>
          <Body>{site.access || 'Nothing special is known.'}</Body>
          <Body small quiet>
            {[site.address, `${degrees(site.lat, ['N', 'S'])}, ${degrees(site.lon, ['E', 'W'])}`]
              .filter(Boolean)
              .join(' · ')}
          </Body>
          <OwnFacts holder="place" facts={site.own} />
        </Column>
        {site.contacts.length > 0 ? (
          <Column gap="$2">
            <Heading>People</Heading>
            {site.contacts.map((contact) => (
              <Row key={`${contact.name} ${contact.phone}`} gap="$3">
                <Column flex={1}>
                  <Body strong>{contact.name}</Body>
                  <Body small quiet>
                    {[contact.role, contact.phone, contact.email].filter(Boolean).join(' · ')}
                  </Body>
                </Column>
                {contact.phone ? (
                  <Row width={110}>
                    <CallLink name={contact.name} phone={contact.phone} />
                  </Row>
                ) : null}
              </Row>
            ))}
            <Row width={280}>
              <OutsideLink href={`/api/sites/${site.id}/contacts.vcf`}>
                Take along as contact cards
              </OutsideLink>
            </Row>
          </Column>
        ) : null}
        {worrying.length > 0 ? (
          <Column gap="$2">
            <Heading>Needs eyes</Heading>
            {worrying.map((thing) => (
              <Row key={thing.id} gap="$2">
                <Mark name={CONDITION_RULES[thing.condition].mark} size={18} silent />
                <Body flex={1}>
                  {thing.name}: {thing.condition}
                </Body>
                <Button
                  dense
                  plain
                  label={`Its story: ${thing.name}`}
                  onPress={() => router.setParams({ thing: thing.id })}
                >
                  Its story
                </Button>
              </Row>
            ))}
          </Column>
        ) : null}
        <Dots />
        <ArrivalPanel site={site.id} name={site.name} />
        <Dots />
        <SiteNotes site={site.id} />
        <Dots />
        <DocumentsPanel link={{ to: 'site', ref: site.id }} name={site.name} />
      </Column>
    </Scroll>
  );
}
