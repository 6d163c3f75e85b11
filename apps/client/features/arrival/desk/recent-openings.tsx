import { RecentOpenings } from '@ant-trail/contract/arrival';
import { useRouter } from 'expo-router';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { sayWhen } from '@/design/say-day.ts';
import { Body, Heading } from '@/design/text.tsx';
import { useOffice } from '@/device/office.ts';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { HOW_WORDS } from './how-words.ts';

/** What was opened within a day against nothing but words: seen at once, by whoever plans the day. */
export function RecentOpeningsList() {
  const { organisation } = useMe();
  const people = usePeople();
  const router = useRouter();
  const { answer } = useOffice(RecentOpenings, '/api/openings', ['opening']);
  if (!answer || answer.openings.length === 0) return null;
  return (
    <Column gap="$2" render="section" aria-label="Opened without proof">
      <Heading>Opened without proof</Heading>
      {answer.openings.map(({ id, by, at, how, reason, site, siteName }) => (
        <Column key={id} gap="$1">
          <Body small strong eyes>
            {siteName}
          </Body>
          <Body small>
            {people.name(by)} {HOW_WORDS[how]}, {sayWhen(at, organisation.timeZone)}: “{reason}”
          </Body>
          <Button
            dense
            plain
            label={`Look at ${siteName}`}
            onPress={() => router.navigate(`/places/${site}`)}
          >
            Look at the place
          </Button>
        </Column>
      ))}
    </Column>
  );
}
