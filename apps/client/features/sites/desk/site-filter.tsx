import { Site } from '@ant-trail/contract/sites';
import { Column } from '@/design/box.tsx';
import { useOffice } from '@/device/office.ts';
import type { List } from '@/features/lists/desk/use-list.ts';
import { FindSite } from './find-site.tsx';

/** Narrows a list to one place. */
export function SiteFilter<Row>({ list: { query, change } }: { list: List<Row> }) {
  const id = query['site'];
  const { answer } = useOffice(Site, id ? `/api/sites/${id}` : null, ['site']);
  return (
    <Column width={220}>
      <FindSite
        label="Place"
        empty="All places"
        chosen={answer ?? null}
        onChoose={(site) => change({ site: site?.id })}
      />
    </Column>
  );
}
