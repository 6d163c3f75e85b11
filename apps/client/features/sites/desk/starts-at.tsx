import { Site } from '@ant-trail/contract/sites';
import { useOffice } from '@/device/office.ts';
import { FindSite } from './find-site.tsx';

export interface StartsAtProps {
  readonly site: string | null;
  readonly onChange: (site: string | null) => void;
}

/** The place somebody's day begins and ends at. */
export function StartsAt({ site, onChange }: StartsAtProps) {
  const { answer } = useOffice(Site, site === null ? null : `/api/sites/${site}`, ['site']);
  return (
    <FindSite
      label="Where the day begins and ends"
      empty="Not said"
      chosen={site === null ? null : { id: site, name: answer?.name ?? '…' }}
      onChoose={(chosen) => onChange(chosen?.id ?? null)}
    />
  );
}
