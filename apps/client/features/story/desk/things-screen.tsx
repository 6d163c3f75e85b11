import { AssetLinesAnswer, type AssetLine } from '@ant-trail/contract/register';
import { may } from '@ant-trail/core/accounts';
import { CONDITION_RULES, CONDITIONS } from '@ant-trail/core/register';
import { sayTagNumber } from '@ant-trail/core/tags';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Mark } from '@/design/mark.tsx';
import { Pick } from '@/design/pick.tsx';
import { Body, Figure } from '@/design/text.tsx';
import { useMe } from '@/features/accounts/session.ts';
import { ImportButton } from '@/features/exchange/desk/import-button.tsx';
import { ListPage } from '@/features/lists/desk/list-page.tsx';
import type { ListColumn } from '@/features/lists/desk/office-list.tsx';
import { RetiredFilter } from '@/features/lists/desk/retired-filter.tsx';
import { TextFilter } from '@/features/lists/desk/text-filter.tsx';
import { useList, type List } from '@/features/lists/desk/use-list.ts';
import { KindsDialog } from '@/features/register/desk/kinds-dialog.tsx';
import { useKinds } from '@/features/register/desk/use-kinds.ts';
import { MakeMany } from '@/features/planning/desk/make-many.tsx';
import { SiteFilter } from '@/features/sites/desk/site-filter.tsx';
import { LabelsDialog } from '@/features/labels/desk/labels-dialog.tsx';

const COLUMNS: readonly ListColumn<AssetLine>[] = [
  {
    id: 'name',
    label: 'Thing',
    order: 'name',
    width: 240,
    cell: ({ name }) => <Body strong>{name}</Body>,
  },
  {
    id: 'kind',
    label: 'Kind',
    order: 'kind',
    width: 150,
    cell: ({ kind, area }) => <Body small>{area ? `${kind} (area)` : kind}</Body>,
  },
  {
    id: 'where',
    label: 'Where it stands',
    cell: ({ siteName, way }) => (
      <Column>
        <Body small>{siteName}</Body>
        {way.length > 0 ? (
          <Body small quiet>
            {way.join(', ')}
          </Body>
        ) : null}
      </Column>
    ),
  },
  {
    id: 'condition',
    label: 'Condition',
    width: 130,
    cell: ({ condition, area }) =>
      area ? null : (
        <Row gap="$2">
          <Mark name={CONDITION_RULES[condition].mark} size={16} silent />
          <Body small>{condition}</Body>
        </Row>
      ),
  },
  {
    id: 'number',
    label: 'Label',
    width: 120,
    cell: ({ number }) => <Figure small>{number ? sayTagNumber(number) : ''}</Figure>,
  },
];

const KEYS = ['site', 'kind', 'condition', 'labelled', 'retired'];

type Printing = { readonly assets: readonly string[] | null; readonly done: () => void };

/** Everything in the register, at whatever place. */
export function ThingsScreen() {
  const { person } = useMe();
  const router = useRouter();
  const [printing, setPrinting] = useState<Printing | null>(null);
  const [naming, setNaming] = useState(false);
  const list = useList<AssetLine>({
    ...{ name: 'things', path: '/api/assets', schema: AssetLinesAnswer },
    ...{ about: ['asset', 'tag'], keys: KEYS },
  });
  const mayKeep = may(person.roles, 'keep places');
  return (
    <ListPage<AssetLine>
      title="Things"
      actions={
        <Row gap="$2" flexWrap="wrap">
          <Button dense onPress={() => router.navigate('/places')}>
            Places
          </Button>
          {mayKeep ? (
            <>
              <ImportButton kind="things" onDone={list.again} />
              <Button dense onPress={() => setNaming(true)}>
                Kinds of thing
              </Button>
              <Button dense onPress={() => setPrinting({ assets: null, done: () => undefined })}>
                Loose labels
              </Button>
            </>
          ) : null}
        </Row>
      }
      list={list}
      idOf={({ id }) => id}
      nameOf={({ name, siteName }) => `${name}, ${siteName}`}
      columns={COLUMNS}
      orderedBy="name"
      onOpen={({ id, site }) => router.navigate(`/places/${site}?thing=${id}`)}
      nothing={
        Object.keys(list.query).length > 0
          ? 'Nothing in the register fits what you chose.'
          : 'Nothing is in the register yet: add things at a place, or import a file of them.'
      }
      filters={<Filters list={list} />}
      moreFilters={{ fields: <MoreFilters list={list} />, keys: ['site', 'labelled', 'retired'] }}
      {...(mayKeep
        ? {
            together: (chosen, done) => (
              <>
                <Button
                  dense
                  onPress={() => setPrinting({ assets: chosen.map(({ id }) => id), done })}
                >
                  Print their labels
                </Button>
                {may(person.roles, 'plan') ? (
                  <MakeMany
                    at={chosen.map(({ id, site }) => ({ site, asset: id }))}
                    onDone={done}
                  />
                ) : null}
              </>
            ),
          }
        : {})}
    >
      {printing ? (
        <LabelsDialog
          assets={printing.assets}
          onClose={() => setPrinting(null)}
          onPrinted={() => {
            printing.done();
            list.again();
          }}
        />
      ) : null}
      {naming ? <KindsDialog onClose={() => setNaming(false)} /> : null}
    </ListPage>
  );
}

function Filters({ list: { query, change } }: { list: List<AssetLine> }) {
  const kinds = useKinds();
  return (
    <>
      <TextFilter label="Name, kind, place or label" query={query} onChange={change} />
      <Pick
        label="Kind"
        value={query['kind'] ?? ''}
        onChange={(kind) => change({ kind: kind || undefined })}
        options={[
          { value: '', label: 'all' },
          ...kinds.map(({ name }) => ({ value: name, label: name })),
        ]}
      />
      <Pick
        label="Condition"
        value={query['condition'] ?? ''}
        onChange={(condition) => change({ condition: condition || undefined })}
        options={['', ...CONDITIONS].map((value) => ({ value, label: value || 'all' }))}
      />
    </>
  );
}

function MoreFilters({ list }: { list: List<AssetLine> }) {
  const { query, change } = list;
  return (
    <>
      <SiteFilter list={list} />
      <Pick
        label="Label"
        value={query['labelled'] ?? ''}
        onChange={(labelled) => change({ labelled: labelled || undefined })}
        options={[
          { value: '', label: 'all' },
          { value: 'yes', label: 'with a label' },
          { value: 'no', label: 'without one' },
        ]}
      />
      <RetiredFilter label="Shown" words={['in use', 'retired']} query={query} onChange={change} />
    </>
  );
}
