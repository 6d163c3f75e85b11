import { may } from '@ant-trail/core/accounts';
import { Site, SitesAnswer } from '@ant-trail/contract/sites';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Mark } from '@/design/mark.tsx';
import { Body } from '@/design/text.tsx';
import { useOffice } from '@/device/office.ts';
import { useMe } from '@/features/accounts/session.ts';
import { ListPage } from '@/features/lists/desk/list-page.tsx';
import type { ListColumn } from '@/features/lists/desk/office-list.tsx';
import { RetiredFilter } from '@/features/lists/desk/retired-filter.tsx';
import { TextFilter } from '@/features/lists/desk/text-filter.tsx';
import { useList } from '@/features/lists/desk/use-list.ts';
import { SiteDialog } from './site-dialog.tsx';

const COLUMNS: readonly ListColumn<Site>[] = [
  {
    id: 'name',
    label: 'Place',
    order: 'name',
    width: 280,
    cell: (site) => <Body strong>{site.name}</Body>,
  },
  {
    id: 'client',
    label: 'Client',
    order: 'client',
    width: 200,
    cell: (site) => <Body small>{[site.client, site.number].filter(Boolean).join(' · ')}</Body>,
  },
  {
    id: 'contact',
    label: 'Contact',
    width: 210,
    cell: ({ contacts: [contact] }) =>
      contact ? (
        <Column>
          <Body small>
            {contact.name}, {contact.role}
          </Body>
          <Body small quiet>
            {contact.phone}
          </Body>
        </Column>
      ) : null,
  },
  {
    id: 'hazards',
    label: 'Hazards',
    cell: (site) => (
      <Column>
        {site.hazards.map((hazard) => (
          <Row key={hazard} gap="$2">
            <Mark name="needs eyes" size={14} silent />
            <Body small eyes>
              {hazard}
            </Body>
          </Row>
        ))}
      </Column>
    ),
  },
];

/** The places work is done at. */
export function PlacesScreen() {
  const { person } = useMe();
  const params = useLocalSearchParams<{ site?: string; new?: string }>();
  const router = useRouter();
  const list = useList<Site>({
    name: 'places',
    path: '/api/sites',
    schema: SitesAnswer,
    about: ['site'],
    keys: ['retired'],
  });
  const opened = useOffice(Site, params.site ? `/api/sites/${params.site}` : null, ['site']).answer;
  const close = (): void => router.setParams({ site: undefined, new: undefined });
  return (
    <ListPage
      title="Places"
      actions={
        may(person.roles, 'keep places') ? (
          <Button main dense onPress={() => router.setParams({ new: 'place' })}>
            Add a place
          </Button>
        ) : null
      }
      list={list}
      idOf={({ id }) => id}
      nameOf={({ name }) => name}
      columns={COLUMNS}
      orderedBy="name"
      onOpen={({ id }) => router.setParams({ site: id })}
      nothing="No place is called that."
      filters={
        <>
          <TextFilter
            label="Name, client, address or hazard"
            query={list.query}
            onChange={list.change}
          />
          <RetiredFilter
            label="Shown"
            words={['in use', 'retired']}
            query={list.query}
            onChange={list.change}
          />
        </>
      }
    >
      {opened || params.new ? (
        <SiteDialog
          key={opened?.id ?? 'new'}
          site={opened ?? null}
          onClose={close}
          onSaved={list.again}
        />
      ) : null}
    </ListPage>
  );
}
