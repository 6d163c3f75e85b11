import { ClientsAnswer, type Client } from '@ant-trail/contract/sites';
import { may } from '@ant-trail/core/accounts';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body } from '@/design/text.tsx';
import { useMe } from '@/features/accounts/session.ts';
import { ImportButton } from '@/features/exchange/desk/import-button.tsx';
import { OwnConditions } from '@/features/fields/desk/own-conditions.tsx';
import { ownColumns, ownIds } from '@/features/fields/desk/own-columns.tsx';
import { OwnFieldsButton } from '@/features/fields/desk/own-fields-button.tsx';
import { useOwnFields } from '@/features/fields/desk/use-own-fields.ts';
import { ListPage } from '@/features/lists/desk/list-page.tsx';
import type { ListColumn } from '@/features/lists/desk/office-list.tsx';
import { TextFilter } from '@/features/lists/desk/text-filter.tsx';
import { useList } from '@/features/lists/desk/use-list.ts';
import { ClientDialog, type RulesOfClient } from './client-dialog.tsx';

const COLUMNS: readonly ListColumn<Client>[] = [
  {
    id: 'name',
    label: 'Client',
    order: 'name',
    cell: ({ name }) => <Body strong>{name}</Body>,
  },
  { id: 'number', label: 'Number', width: 120, cell: ({ number }) => <Body small>{number}</Body> },
  {
    id: 'contact',
    label: 'Contact',
    width: 260,
    cell: ({ contacts: [contact] }) =>
      contact ? (
        <Column>
          <Body small>{[contact.name, contact.role].filter(Boolean).join(', ')}</Body>
          <Body small quiet>
            {[contact.phone, contact.email].filter(Boolean).join(' · ')}
          </Body>
        </Column>
      ) : null,
  },
  {
    id: 'address',
    label: 'Address',
    width: 240,
    cell: ({ address }) => <Body small>{address}</Body>,
  },
  {
    id: 'places',
    label: 'Places',
    width: 90,
    cell: ({ places }) => <Body small>{places === 0 ? 'none' : places}</Body>,
  },
];

/** Whom the work is for. */
export function ClientsScreen({ Rules }: { Rules: RulesOfClient }) {
  const { person } = useMe();
  const router = useRouter();
  const [opened, setOpened] = useState<Client | 'new' | null>(null);
  const list = useList<Client>({
    ...{ name: 'clients', path: '/api/clients', schema: ClientsAnswer },
    ...{ about: ['client', 'site'], keys: ['where'] },
  });
  const { fields } = useOwnFields('client');
  const columns = [...COLUMNS, ...ownColumns<Client>(fields, ({ own }) => own)];
  const mayKeep = may(person.roles, 'keep places');
  return (
    <ListPage<Client>
      title="Clients"
      actions={
        <Row gap="$2" flexWrap="wrap">
          <Button dense onPress={() => router.navigate('/places')}>
            Places
          </Button>
          {mayKeep ? (
            <>
              <OwnFieldsButton holder="client" />
              <ImportButton kind="clients" onDone={list.again} />
              <Button main dense onPress={() => setOpened('new')}>
                Add a client
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
      onOpen={setOpened}
      nothing={
        list.query['text']
          ? 'No client is called that.'
          : 'No client is here yet: add one, or import a file of them.'
      }
      filters={
        <TextFilter
          label="Name, number, address or contact"
          query={list.query}
          onChange={list.change}
        />
      }
      {...(fields.length > 0
        ? {
            moreFilters: {
              keys: ['where'],
              fields: <OwnConditions {...{ fields, list }} />,
            },
          }
        : {})}
    >
      {opened ? (
        <ClientDialog
          key={opened === 'new' ? 'new' : opened.id}
          client={opened === 'new' ? null : opened}
          {...{ mayKeep, Rules }}
          onClose={() => setOpened(null)}
          onSaved={list.again}
        />
      ) : null}
    </ListPage>
  );
}
