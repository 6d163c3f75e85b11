import { hazardsOn } from '@ant-trail/core/planning';
import { View } from '@tamagui/core';
import { sayLength, sayMinute } from '@ant-trail/core/calendar';
import type { Place } from '@ant-trail/core/geo';
import { useRouter } from 'expo-router';
import { Suspense } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button, CallLink } from '@/design/button.tsx';
import { Hazards } from '@/design/hazards.tsx';
import { Notice } from '@/design/notice.tsx';
import { Body } from '@/design/text.tsx';
import type { TrailStop } from './trail.ts';
import { TellThem } from './later.tsx';
import { useMinutesAway, useMinutesFromHere } from './use-minutes-away.ts';

/** The next stop opened out: what to do, what to beware of, whom to call. */
export function StopCard({ stop, before }: { stop: TrailStop; before?: TrailStop | undefined }) {
  const { site, job, returnedWith } = stop;
  const router = useRouter();
  const contact = site.contacts.find(({ phone }) => phone);
  return (
    <View>
      <Column padding="$4" paddingBottom="$3" gap="$1">
        <Body small quiet>
          {before ? <MinutesAway from={before.site} to={stop.site} /> : null}
          about {sayLength(stop.visit.minutes)} there
        </Body>
        <Body render="h2" margin={0} strong fontSize="$5" lineHeight="$5">
          {site.name}
        </Body>
        <Body>{job.instructions || job.title}</Body>
        {stop.sheets.length > 1 ? (
          <Body small strong>
            {stop.sheets.length} sheets
          </Body>
        ) : null}
        {job.windowFrom !== null && job.windowTo !== null ? (
          <Body small strong>
            between {sayMinute(job.windowFrom)} and {sayMinute(job.windowTo)}
          </Body>
        ) : null}
      </Column>
      <Hazards hazards={hazardsOn(site, stop.visit.day)} />
      {returnedWith !== null ? (
        <Notice tone="info" mark="returned">
          Returned to you: “{returnedWith}”
        </Notice>
      ) : null}
      {stop.step === 'arrived' ? <OnTheWay stop={stop} before={before} /> : null}
      <Row padding="$4" paddingTop="$3" gap="$2" alignItems="stretch">
        {contact ? <CallLink name={contact.name} phone={contact.phone} /> : null}
        <Button onPress={() => router.navigate(`/way/${site.id}`)}>Way</Button>
        <Button grow onPress={() => router.navigate(`/visit/${stop.visit.id}`)}>
          More
        </Button>
      </Row>
    </View>
  );
}

/** Once somebody has set off, whoever waits can be told. */
function OnTheWay({ stop, before }: { stop: TrailStop; before: TrailStop | undefined }) {
  const minutesAway = useMinutesFromHere(stop.site, before?.site);
  return (
    <Column paddingHorizontal="$4" paddingTop="$2">
      <Suspense fallback={null}>
        <TellThem visit={stop.visit.id} site={stop.site} minutesAway={minutesAway} />
      </Suspense>
    </Column>
  );
}

function MinutesAway({ from, to }: { from: Place; to: Place }) {
  return `${useMinutesAway(from, to)} min away · `;
}
