import { DocumentsAnswer, type OfficeDocument } from '@ant-trail/contract/documents';
import { may } from '@ant-trail/core/accounts';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { sayDatedDay } from '@/design/say-day.ts';
import { Body, Figure } from '@/design/text.tsx';
import { useMe } from '@/features/accounts/session.ts';
import { ListPage } from '@/features/lists/desk/list-page.tsx';
import type { ListColumn } from '@/features/lists/desk/office-list.tsx';
import { RetiredFilter } from '@/features/lists/desk/retired-filter.tsx';
import { TextFilter } from '@/features/lists/desk/text-filter.tsx';
import { useList } from '@/features/lists/desk/use-list.ts';
import { sayFile } from '../say-file.ts';
import { DocumentDialog } from './document-dialog.tsx';
import { LinkName } from './link-name.tsx';
import { NewDocumentDialog } from './new-document-dialog.tsx';

const NO_LINKS = [] as const;

const COLUMNS: readonly ListColumn<OfficeDocument>[] = [
  {
    id: 'name',
    label: 'Document',
    order: 'name',
    cell: ({ name, note }) => (
      <Column>
        <Body strong>{name}</Body>
        {note ? (
          <Body small quiet>
            {note}
          </Body>
        ) : null}
      </Column>
    ),
  },
  {
    id: 'about',
    label: 'About',
    width: 300,
    cell: ({ links: [first, ...others] }) =>
      first ? (
        <Body small>
          <LinkName link={first} />
          {others.length > 0 ? ` and ${others.length} more` : ''}
        </Body>
      ) : (
        <Body small quiet>
          nothing
        </Body>
      ),
  },
  {
    id: 'version',
    label: 'Version',
    width: 190,
    cell: ({ version }) => (
      <Figure small>
        {version.number}, {sayDatedDay(version.at.slice(0, 10))}
      </Figure>
    ),
  },
  {
    id: 'file',
    label: 'File',
    width: 130,
    cell: ({ version }) => <Body small>{sayFile(version)}</Body>,
  },
];

/** Data sheets, manuals, drawings: which version counts, and what each is about. */
export function DocumentsScreen() {
  const { person } = useMe();
  const router = useRouter();
  const params = useLocalSearchParams<{ document?: string }>();
  const [adding, setAdding] = useState(false);
  const list = useList<OfficeDocument>({
    ...{ name: 'documents', path: '/api/documents', schema: DocumentsAnswer },
    ...{ about: ['document'], keys: ['retired'] },
  });
  return (
    <ListPage<OfficeDocument>
      title="Documents"
      actions={
        may(person.roles, 'keep documents') ? (
          <Button main dense onPress={() => setAdding(true)}>
            Add a document
          </Button>
        ) : null
      }
      list={list}
      idOf={({ id }) => id}
      nameOf={({ name }) => name}
      columns={COLUMNS}
      orderedBy="name"
      onOpen={({ id }) => router.setParams({ document: id })}
      nothing={
        list.query['text']
          ? 'No document is called that.'
          : 'No document is here yet. What is attached to a place, a thing, a kind or a template is on the phones of whoever goes there.'
      }
      filters={
        <>
          <TextFilter label="Name or contents" query={list.query} onChange={list.change} />
          <RetiredFilter
            label="Shown"
            words={['in use', 'retired']}
            query={list.query}
            onChange={list.change}
          />
        </>
      }
    >
      {adding ? <NewDocumentDialog links={NO_LINKS} onClose={() => setAdding(false)} /> : null}
      {params.document ? (
        <DocumentDialog
          key={params.document}
          id={params.document}
          onClose={() => router.setParams({ document: undefined })}
        />
      ) : null}
    </ListPage>
  );
}
