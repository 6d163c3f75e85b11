import {
  RecordsAnswer,
  RecordTemplatesAnswer,
  type SheetRecord,
} from '@ant-trail/contract/records';
import { TemplatesAnswer } from '@ant-trail/contract/templates';
import type { SoughtField } from '@ant-trail/core/fields';
import { recordFields } from '@ant-trail/core/records';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, type ReactNode } from 'react';
import { Column } from '@/design/box.tsx';
import { Segments } from '@/design/choose.tsx';
import { DeskPage } from '@/design/desk-page.tsx';
import { FindAmong } from '@/design/find-among.tsx';
import { Pick } from '@/design/pick.tsx';
import { Body } from '@/design/text.tsx';
import { useOffice } from '@/device/office.ts';
import { Conditions } from '@/features/fields/desk/conditions.tsx';
import { readWhere, writeWhere } from '@/features/fields/desk/where.ts';
import { DaysFilter } from '@/features/lists/desk/days-filter.tsx';
import { ListPage } from '@/features/lists/desk/list-page.tsx';
import { TextFilter } from '@/features/lists/desk/text-filter.tsx';
import { useList } from '@/features/lists/desk/use-list.ts';
import { SiteFilter } from '@/features/sites/desk/site-filter.tsx';
import { columnsOf, hiddenAtFirst } from './record-columns.tsx';
import { RecordsMap } from './records-map.tsx';
import { TakeTogether } from './take-together.tsx';

const WORST_WORDS = ['all', 'with a finding', 'from 2', 'from 3', 'only 4'] as const;
const HOW = [
  { value: 'list', label: 'List' },
  { value: 'map', label: 'Map' },
] as const;

const KEYS = ['template', 'where', 'site', 'from', 'to', 'worst'];

/** Finished sheets of one template: found by what they say, as a list or on the map. */
export function RecordsScreen() {
  const params = useLocalSearchParams<{ template?: string; how?: string }>();
  const router = useRouter();
  const templates = useOffice(TemplatesAnswer, '/api/templates', ['template']).answer?.templates;
  const counted = useOffice(RecordTemplatesAnswer, '/api/records/templates', ['sheet']).answer
    ?.templates;
  if (!templates || !counted) return null;
  const counts = new Map(counted.map(({ template, count }) => [template, count]));
  const known = templates.filter(({ template }) => counts.has(template));
  const wanted = params.template ?? counted[0]?.template;
  const chosen = templates.find(({ template }) => template === wanted) ?? known[0];
  if (!chosen)
    return (
      <DeskPage title="Records">
        <Body quiet>
          No sheet is finished yet. What is finished can be found here by what it says.
        </Body>
      </DeskPage>
    );
  return (
    <RecordsOf
      key={chosen.template}
      template={chosen.template}
      fields={recordFields(chosen.body)}
      isMap={params.how === 'map'}
      onHow={(how) => router.setParams({ how: how === 'map' ? 'map' : undefined })}
      findTemplate={
        <Column width={260}>
          <FindAmong
            label="Sheet"
            options={templates.map(({ template, body }) => ({
              ...{ value: template, label: body.title },
              about: `${counts.get(template) ?? 0} finished`,
            }))}
            chosen={chosen.template}
            onChoose={(template) =>
              router.setParams({ template: template ?? undefined, where: undefined })
            }
          />
        </Column>
      }
    />
  );
}

interface RecordsOfProps {
  readonly template: string;
  readonly fields: readonly SoughtField[];
  readonly isMap: boolean;
  readonly onHow: (how: 'list' | 'map') => void;
  readonly findTemplate: ReactNode;
}

function RecordsOf({ template, fields, isMap, onHow, findTemplate }: RecordsOfProps) {
  const router = useRouter();
  const list = useList<SheetRecord>({
    name: 'records',
    path: '/api/records',
    schema: RecordsAnswer,
    about: ['sheet', 'site'],
    keys: KEYS,
    always: { template },
  });
  const { query, change } = list;
  const where = useMemo(() => readWhere(query), [query]);
  return (
    <ListPage<SheetRecord>
      title="Records"
      actions={
        <Segments
          label="How they are shown"
          options={HOW}
          chosen={[isMap ? 'map' : 'list']}
          onPress={onHow}
        />
      }
      list={list}
      idOf={({ id }) => id}
      nameOf={({ siteName, day }) => `${siteName}, ${day}`}
      columns={columnsOf(fields)}
      hiddenAtFirst={hiddenAtFirst(fields)}
      orderedBy="-day"
      onOpen={({ id }) => router.navigate(`/review/${id}`)}
      together={(picked, done) => <TakeTogether records={picked} onDone={done} />}
      nothing="No finished sheet fits what you chose."
      {...(isMap ? { instead: <RecordsMap query={query} /> } : {})}
      filters={
        <>
          {findTemplate}
          <TextFilter label="Place or job" query={query} onChange={change} />
          <Pick
            label="Findings"
            value={query['worst'] ?? ''}
            onChange={(worst) => change({ worst: worst || undefined })}
            options={WORST_WORDS.map((label, at) => ({ value: at === 0 ? '' : String(at), label }))}
          />
          <Conditions
            judged
            label="Only where a question says"
            empty="Choose a question"
            {...{ fields, where }}
            onChange={(next) => change({ where: writeWhere(next) })}
          />
        </>
      }
      moreFilters={{
        keys: ['site', 'from', 'to'],
        fields: (
          <>
            <SiteFilter list={list} />
            <DaysFilter query={query} onChange={change} />
          </>
        ),
      }}
    />
  );
}
