import { daysBetween } from '@ant-trail/core/calendar';
import { Column, Row, Rule } from '@/design/box.tsx';
import { DeskPage } from '@/design/desk-page.tsx';
import { Mark } from '@/design/mark.tsx';
import { Body } from '@/design/text.tsx';
import { useNow } from '@/device/use-now.ts';
import { sayShortDay } from '@/features/planning/wording.ts';
import { useMe } from '../session.ts';
import { usePeople } from './use-people.ts';

/** Below so many days left, a credential is pointed out. */
const SOON_DAYS = 30;

/** Who works here, in which role, with which credentials. */
export function PeopleScreen() {
  const { organisation } = useMe();
  const { day } = useNow(organisation.timeZone);
  const people = usePeople();
  return (
    <DeskPage title="People" about={<Body quiet>{people.list.length} in all</Body>}>
      <Column>
        {people.list.map((person) => (
          <Column key={person.id}>
            <Rule />
            <Row gap="$4" paddingVertical="$3" alignItems="flex-start" flexWrap="wrap">
              <Column width={260}>
                <Body strong>{person.name}</Body>
                <Body small quiet>
                  {person.roles.join(', ')} · {person.trade}
                </Body>
              </Column>
              <Column width={280}>
                <Body small>{person.phone}</Body>
                <Body small quiet>
                  {person.email}
                </Body>
              </Column>
              <Column flex={1} minWidth={260} gap="$1">
                {person.credentials.map((credential) => {
                  const left = daysBetween(day, credential.expiresOn);
                  return (
                    <Row key={credential.id} gap="$2">
                      {left < SOON_DAYS ? <Mark name="needs eyes" size={16} /> : null}
                      <Body small eyes={left < SOON_DAYS}>
                        {credential.kind} {credential.number}, {credential.issuer}:{' '}
                        {left < 0
                          ? `expired ${-left} days ago`
                          : left < SOON_DAYS
                            ? `expires in ${left} days`
                            : `valid to ${sayShortDay(credential.expiresOn)} ${credential.expiresOn.slice(0, 4)}`}
                      </Body>
                    </Row>
                  );
                })}
              </Column>
            </Row>
          </Column>
        ))}
      </Column>
    </DeskPage>
  );
}
