import { hazardsOn } from '@ant-trail/core/planning';
import { Column, Scroll } from '@/design/box.tsx';
import { CallLink } from '@/design/button.tsx';
import { Hazards } from '@/design/hazards.tsx';
import { Body, Heading } from '@/design/text.tsx';
import { useNow } from '@/device/use-now.ts';
import { useMe } from '@/features/accounts/session.ts';
import { NotesHere } from '@/features/sites/field/notes-here.tsx';
import { useSheetSession } from '../session/sheet-context.tsx';

/** What helps to answer, beside the questions where the screen has the room: the place and the job. */
export function BesideSheet() {
  const { site, job } = useSheetSession().context;
  const { day: today } = useNow(useMe().organisation.timeZone);
  const contact = site.contacts.find(({ phone }) => phone);
  return (
    <Scroll
      render="aside"
      aria-label="The place and the job"
      flex={0}
      width={290}
      flexShrink={0}
      borderLeftWidth={1}
      borderColor="$rule"
    >
      <Hazards hazards={hazardsOn(site, today)} />
      <Column padding="$4" gap="$4">
        <Column gap="$1">
          <Heading>{site.name}</Heading>
          <Body small quiet>
            {site.address}
          </Body>
        </Column>
        <Column gap="$1">
          <Body small strong>
            What to do
          </Body>
          <Body>{job.instructions || job.title}</Body>
        </Column>
        {site.access ? (
          <Column gap="$1">
            <Body small strong>
              Getting in
            </Body>
            <Body>{site.access}</Body>
          </Column>
        ) : null}
        <Column gap="$1">
          <Body small strong>
            For whoever comes next
          </Body>
          <NotesHere site={site.id} />
        </Column>
        {contact ? <CallLink name={contact.name} phone={contact.phone} long /> : null}
      </Column>
    </Scroll>
  );
}
