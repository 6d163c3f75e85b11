import { SitesAnswer } from '@ant-trail/contract/sites';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { Column, Row, Rule } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { DeskPage } from '@/design/desk-page.tsx';
import { Input } from '@/design/input.tsx';
import { Mark } from '@/design/mark.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { Body } from '@/design/text.tsx';
import { useOffice } from '@/device/office.ts';
import { SiteDialog } from './site-dialog.tsx';

/** The places work is done at. */
export function PlacesScreen() {
  const params = useLocalSearchParams<{ site?: string; new?: string }>();
  const router = useRouter();
  const [text, setText] = useState('');
  const { answer, problem, again } = useOffice(SitesAnswer, '/api/sites');
  const wanted = text.trim().toLowerCase();
  const sites = (answer?.sites ?? []).filter((site) =>
    `${site.name} ${site.client} ${site.hazards.join(' ')}`.toLowerCase().includes(wanted),
  );
  const opened = answer?.sites.find((site) => site.id === params.site) ?? null;
  const close = (): void => router.setParams({ site: undefined, new: undefined });
  return (
    <DeskPage
      title="Places"
      problem={problem}
      about={<Body quiet>{answer ? `${sites.length} shown` : ''}</Body>}
      actions={
        <Button main dense onPress={() => router.setParams({ new: 'place' })}>
          Add a place
        </Button>
      }
    >
      <Column maxWidth={360}>
        <Input label="Name, client or hazard" value={text} onChange={setText} />
      </Column>
      <Column>
        {sites.map((site) => (
          <Column key={site.id}>
            <Rule />
            <PressableRow onPress={() => router.setParams({ site: site.id })} paddingVertical="$2">
              <Row gap="$4" alignSelf="stretch" flexWrap="wrap" alignItems="flex-start">
                <Column width={320}>
                  <Body strong>{site.name}</Body>
                  <Body small quiet>
                    {site.client}
                  </Body>
                </Column>
                <Column width={230}>
                  {site.contacts.map((contact) => (
                    <Body small key={contact.name}>
                      {contact.name}, {contact.role}
                    </Body>
                  ))}
                  <Body small quiet>
                    {site.contacts[0]?.phone}
                  </Body>
                </Column>
                <Column flex={1} minWidth={240}>
                  {site.hazards.map((hazard) => (
                    <Row key={hazard} gap="$2">
                      <Mark name="needs eyes" size={14} silent />
                      <Body small eyes>
                        {hazard}
                      </Body>
                    </Row>
                  ))}
                </Column>
              </Row>
            </PressableRow>
          </Column>
        ))}
        {answer && sites.length === 0 ? <Body quiet>No place is called that.</Body> : null}
      </Column>
      {opened || params.new ? (
        <SiteDialog key={opened?.id ?? 'new'} site={opened} onClose={close} onSaved={again} />
      ) : null}
    </DeskPage>
  );
}
