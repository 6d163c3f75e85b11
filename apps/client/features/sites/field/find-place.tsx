import { FindAmong } from '@/design/find-among.tsx';
import { useLive } from '@/device/use-live.ts';
import { usePhone } from '@/features/sync/phone.tsx';

export interface FindPlaceProps {
  readonly label: string;
  readonly chosen: string | null;
  readonly onChoose: (site: string | null) => void;
  /** Somebody wanted to go on without one. */
  readonly missing: boolean;
}

/** One of the places this phone knows, by name. */
export function FindPlace({ label, chosen, onChoose, missing }: FindPlaceProps) {
  const { store } = usePhone();
  const sites =
    useLive(() => store.sites.filter(({ retired }) => !retired).toArray(), [store]) ?? [];
  return (
    <FindAmong
      label={label}
      chosen={chosen}
      onChoose={onChoose}
      problem={missing && !chosen ? 'Choose the place.' : undefined}
      options={[...sites]
        .sort((a, b) => a.name.localeCompare(b.name))
        .map(({ id, name, client }) => ({ value: id, label: name, about: client }))}
    />
  );
}
