import { hazardsOn } from '@ant-trail/core/planning';
import { may } from '@ant-trail/core/accounts';
import { SitesAnswer, type Site } from '@ant-trail/contract/sites';
import { useLocalSearchParams, useRouter } from 'expo-router';
import type { ReactNode } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Mark } from '@/design/mark.tsx';
import { Body } from '@/design/text.tsx';
import { Tick } from '@/design/tick.tsx';
import { useMe } from '@/features/accounts/session.ts';
import { useNow } from '@/device/use-now.ts';
import { ImportButton } from '@/features/exchange/desk/import-button.tsx';
import { OwnConditions } from '@/features/fields/desk/own-conditions.tsx';
import { ownColumns, ownIds } from '@/features/fields/desk/own-columns.tsx';
import { OwnFieldsButton } from '@/features/fields/desk/own-fields-button.tsx';
import { useOwnFields } from '@/features/fields/desk/use-own-fields.ts';
import { ListPage } from '@/features/lists/desk/list-page.tsx';
import type { ListColumn } from '@/features/lists/desk/office-list.tsx';
import { RetiredFilter } from '@/features/lists/desk/retired-filter.tsx';
import { TextFilter } from '@/features/lists/desk/text-filter.tsx';
import { useList } from '@/features/lists/desk/use-list.ts';
import { SiteDialog } from './site-dialog.tsx';

const columnsOf = (today: string): readonly ListColumn<Site>[] => [
  {
    id: 'name',
    label: 'Place',
    order: 'name',
    width: 280,
    cell: (site) => (
      <Column>
        <Body strong>{site.name}</Body>
        {site.found ? (
          <Body small eyes>
            told from the field
          </Body>
        ) : null}
      </Column>
    ),
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
        {hazardsOn(site, today).map((hazard) => (
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

export interface PlacesScreenProps {
  /** What can be done with several places at once, by those who plan; planning is a capability of its own. */
  readonly Together: (props: {
    readonly sites: readonly Site[];
    readonly onDone: () => void;
  }) => ReactNode;
}

/** The places work is done at. */
export function PlacesScreen({ Together }: PlacesScreenProps) {
  const { person, organisation } = useMe();
  const { day: today } = useNow(organisation.timeZone);
  const params = useLocalSearchParams<{ new?: string }>();
  const router = useRouter();
  const list = useList<Site>({
    name: 'places',
    path: '/api/sites',
    schema: SitesAnswer,
    about: ['site'],
    keys: ['retired', 'found', 'where'],
  });
  const { fields } = useOwnFields('place');
  const columns = [...columnsOf(today), ...ownColumns<Site>(fields, ({ own }) => own)];
  return (
    <ListPage<Site>
      title="Places"
      actions={
        <Row gap="$2" flexWrap="wrap">
          <Button dense onPress={() => router.navigate('/clients')}>
            Clients
          </Button>
          <Button dense onPress={() => router.navigate('/things')}>
            All things
          </Button>
          {may(person.roles, 'keep places') ? (
            <>
              <OwnFieldsButton holder="place" />
              <ImportButton kind="places" onDone={list.again} />
              <Button main dense onPress={() => router.setParams({ new: 'place' })}>
                Add a place
              </Button>
            </>
          ) : null}
        </Row>
      }
      list={list}
      idOf={({ id }) => id}
      nameOf={({ name }) => name}
      columns={columns}
      hiddenAtFirst={ownIds(fields)}
      orderedBy="name"
      onOpen={({ id }) => router.navigate(`/places/${id}`)}
      nothing={
        list.query['text']
          ? 'No place is called that.'
          : 'No place is here yet: add one, or import a file of them.'
      }
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
          <Tick
            label="Told from the field"
            on={list.query['found'] === 'yes'}
            onPress={() => list.change({ found: list.query['found'] ? undefined : 'yes' })}
          />
        </>
      }
      {...(may(person.roles, 'plan')
        ? { together: (sites, onDone) => <Together {...{ sites, onDone }} /> }
        : {})}
      {...(fields.length > 0
        ? {
            moreFilters: {
              keys: ['where'],
              fields: <OwnConditions {...{ fields, list }} />,
            },
          }
        : {})}
    >
      {params.new ? (
        <SiteDialog
          site={null}
          onClose={() => router.setParams({ new: undefined })}
          onSaved={({ id }) => router.navigate(`/places/${id}`)}
        />
      ) : null}
    </ListPage>
  );
}
