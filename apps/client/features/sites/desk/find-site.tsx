import { SitesAnswer, type Site } from '@ant-trail/contract/sites';
import { useState } from 'react';
import { Find } from '@/design/find.tsx';
import { useOffice } from '@/device/office.ts';

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
  const { answer } = useOffice(SitesAnswer, `/api/sites?${asked}`, ['site']);
  const sites = answer?.rows ?? [];
  return (
    <Find
      label={label}
      chosen={chosen && { value: chosen.id, label: chosen.name }}
      options={sites.map(({ id, name, client }) => ({ value: id, label: name, about: client }))}
      onWords={setWords}
      onChoose={(option) => onChoose(sites.find(({ id }) => id === option?.value) ?? null)}
      more={(answer?.total ?? 0) - sites.length}
      {...(empty ? { empty } : {})}
      problem={problem}
    />
  );
}
