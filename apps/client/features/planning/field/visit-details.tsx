import { hazardsOn } from '@ant-trail/core/planning';
import type { Visit } from '@ant-trail/contract/planning';
import { sayLength, sayMinute } from '@ant-trail/core/calendar';
import { sayDistance } from '@ant-trail/core/geo';
import { useRouter } from 'expo-router';
import type { ReactNode } from 'react';
import { Column, Row, Rule, Scroll } from '@/design/box.tsx';
import { Button, CallLink, OutsideLink } from '@/design/button.tsx';
import { Mark } from '@/design/mark.tsx';
import { Hazards } from '@/design/hazards.tsx';
import { Notice } from '@/design/notice.tsx';
import { sayDay, sayWhen } from '@/design/say-day.ts';
import { Body, Figure, Heading, Title } from '@/design/text.tsx';
import { useLive } from '@/device/use-live.ts';
import { useMe } from '@/features/accounts/session.ts';
import { ArrivalHere } from '@/features/arrival/field/arrival-here.tsx';
import { DocumentLines, useDocumentsAbout } from '@/features/documents/field/document-lines.tsx';
import { aboutPlace } from '@/features/documents/field/documents-about.ts';
import { Known } from '@/features/fields/field/known.tsx';
import { TellThem } from '@/features/messages/field/tell-them.tsx';
import { NotesHere } from '@/features/sites/field/notes-here.tsx';
import { usePhone } from '@/features/sync/phone.tsx';
import { SignedHere } from './signed-here.tsx';
import { SheetList } from './sheet-list.tsx';
import { markFor, standingWords } from './step-words.ts';
import type { TrailStop } from './trail.ts';
import { useMinutesFromHere } from './use-minutes-away.ts';

export interface VisitDetailsProps {
  readonly stop: TrailStop;
  /** Stands beside the trail, whose page it then is. */
  readonly aside?: boolean;
}

/** Everything the phone knows of a stop. */
export function VisitDetails({ stop, aside = false }: VisitDetailsProps) {
  const { visit, job, site, sheets } = stop;
  const others = stop.others.filter(({ person }) => person !== null);
  const router = useRouter();
  const { store } = usePhone();
  const people = useLive(() => store.people.toArray(), [store]) ?? [];
  const names = new Map(people.map(({ id, name }) => [id, name]));
  const { organisation } = useMe();
  const minutesAway = useMinutesFromHere(site, undefined);
  return (
    <Scroll
      {...(aside
        ? { render: 'section' as const, 'aria-label': site.name }
        : { render: 'main' as const, id: 'main' })}
    >
      <Column paddingHorizontal="$4" gap="$1" paddingBottom="$3">
        {aside ? <Heading>{site.name}</Heading> : <Title>{site.name}</Title>}
        <Row gap="$2">
          <Mark name={markFor(stop, false)} silent />
          <Body small quiet>
            {standingWords(stop, organisation.timeZone)}
          </Body>
        </Row>
      </Column>
      <Hazards hazards={hazardsOn(site, stop.visit.day)} />
      {stop.returnedWith !== null ? (
        <Notice tone="info" mark="returned">
          Returned to you: “{stop.returnedWith}”
        </Notice>
      ) : null}
      {stop.turnedBackFor !== null ? (
        <Notice tone="eyes" mark="needs eyes">
          Turned back here: “{stop.turnedBackFor}”. The office plans it anew; set off again if you
          can after all.
        </Notice>
      ) : null}
      <Part title="What to do">
        <Body>{job.instructions || job.title}</Body>
        {job.follows ? (
          <Body small>
            Follows “{job.follows.title}” of {sayDay(job.follows.day)}.
          </Body>
        ) : null}
        <Known holder="job" facts={job.own} />
        <Body small quiet>
          {sayDay(visit.day)}, {sayMinute(visit.start)}, about {sayLength(visit.minutes)}
        </Body>
      </Part>
      <Part title={sheets.length === 1 ? 'The sheet' : `The ${sheets.length} sheets`}>
        <SheetList stop={stop} />
      </Part>
      {others.length > 0 ? (
        <Part title="Also there">
          {others.map((other) => (
            <Body key={other.id}>
              {names.get(other.person ?? '') ?? 'Somebody'}, {other.part}
            </Body>
          ))}
        </Part>
      ) : null}
      <Part title="Getting in">
        <Body>{site.access || 'Nothing special is known.'}</Body>
        <Body small quiet>
          {site.address}
        </Body>
        <Known holder="place" facts={site.own} />
        <Row gap="$2" paddingTop="$2">
          <Button dense onPress={() => router.navigate(`/way/${site.id}`)}>
            The way there
          </Button>
          <OutsideLink href={`geo:${site.lat},${site.lon}?q=${site.lat},${site.lon}`}>
            Phone’s map
          </OutsideLink>
        </Row>
      </Part>
      <Part title="The office">
        <Row>
          <Button dense onPress={() => router.navigate(`/my-messages?visit=${visit.id}`)}>
            Write to the office about this stop
          </Button>
        </Row>
      </Part>
      <Part title="Signed on site">
        <SignedHere stop={stop} />
      </Part>
      <DocumentsPart stop={stop} />
      <ArrivalPart site={site.id} visit={visit} />
      <Part title="For whoever comes next">
        <NotesHere site={site.id} />
      </Part>
      {site.contacts.length > 0 ? (
        <Part title="People">
          {stop.step === 'arrived' ? (
            <TellThem visit={visit.id} site={site} minutesAway={minutesAway} />
          ) : null}
          {site.contacts.map((contact) => (
            <Row className="to-hand" key={contact.name} gap="$3" justifyContent="space-between">
              <Column flexShrink={1}>
                <Body strong>{contact.name}</Body>
                <Body small quiet>
                  {contact.role}
                </Body>
              </Column>
              {contact.phone ? (
                <Row width={130}>
                  <CallLink name={contact.name} phone={contact.phone} />
                </Row>
              ) : null}
            </Row>
          ))}
        </Part>
      ) : null}
      {visit.events.length > 0 ? (
        <Part title="So far">
          {visit.events.map((event) => (
            <Row key={event.id} gap="$3">
              <Figure small>{sayWhen(event.at, organisation.timeZone)}</Figure>
              <Body small>
                {event.kind}
                {event.distance !== null ? `, ${sayDistance(event.distance)} from the site` : ''}
                {event.reason ? ` (“${event.reason}”)` : ''}
              </Body>
            </Row>
          ))}
        </Part>
      ) : null}
    </Scroll>
  );
}

/** Documents about the place, what stands there, and the sheets, where there are any. */
function DocumentsPart({ stop: { site, sheets } }: { stop: TrailStop }) {
  const templates = sheets.map(({ sheet }) => sheet.template);
  const documents = useDocumentsAbout(
    (store) => aboutPlace(store, site.id, templates),
    [site.id, templates.join()],
  );
  if (documents.length === 0) return null;
  return (
    <Part title="Documents">
      <DocumentLines documents={documents} />
    </Part>
  );
}

/** What only whoever is there should know, where there is any. */
function ArrivalPart({ site, visit }: { site: string; visit: Visit }) {
  const { store } = usePhone();
  const sealed = useLive(() => store.arrivalSeals.get(site), [store, site]);
  if (!sealed) return null;
  return (
    <Part title="For whoever is there">
      <ArrivalHere site={site} visit={visit} />
    </Part>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <>
      <Rule />
      <Column padding="$4" gap="$2">
        <Heading>{title}</Heading>
        {children}
      </Column>
    </>
  );
}
