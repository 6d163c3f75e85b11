import { SitesAnswer, type Site } from '@ant-trail/contract/sites';
import { useState } from 'react';
import { Find, fitting } from '@/design/find.tsx';
import { useOfficeSearch } from '@/device/office.ts';

const OFFERED = 20;

export interface FindSiteProps {
  readonly label: string;
  readonly chosen: Pick<Site, 'id' | 'name'> | null;
  readonly onChoose: (site: Site | null) => void;
  readonly empty?: string;
  readonly problem?: string | undefined;
}

/** A place out of all the organisation has; the office looks. */
export function FindSite({ label, chosen, onChoose, empty, problem }: FindSiteProps) {
  const [words, setWords] = useState('');
  const asked = new URLSearchParams({
    ...{ most: String(OFFERED), within: 'name' },
    ...(words ? { text: words } : {}),
  });
  const { answer, looking } = useOfficeSearch(SitesAnswer, `/api/sites?${asked}`, ['site']);
  const sites = answer?.rows ?? [];
  return (
    <Find
      label={label}
      chosen={chosen && { value: chosen.id, label: chosen.name }}
      // What was found for the words before is offered only where it fits these, too.
      options={fitting(
        sites.map(({ id, name, client, number }) => ({
          ...{ value: id, label: name },
          about: [client, number].filter(Boolean).join(' · '),
        })),
        words,
      )}
      looking={looking}
      onWords={setWords}
      onChoose={(option) => onChoose(sites.find(({ id }) => id === option?.value) ?? null)}
      more={looking ? 0 : (answer?.total ?? 0) - sites.length}
      {...(empty ? { empty } : {})}
      problem={problem}
    />
  );
}
