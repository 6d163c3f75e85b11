import { FindAmong } from '@/design/find-among.tsx';
import { useLive } from '@/device/use-live.ts';
import { usePhone } from '@/features/sync/phone.tsx';

export interface FindPlaceProps {
  readonly label: string;
  readonly chosen: string | null;
  readonly onChoose: (site: string | null) => void;
  /** Somebody wanted to go on without one. */
  readonly missing: boolean;
  /** Those that stand first. */
  readonly first?: ReadonlySet<string>;
}

const NONE: ReadonlySet<string> = new Set();

/** One of the places this phone knows, by name. */
export function FindPlace({ label, chosen, onChoose, missing, first = NONE }: FindPlaceProps) {
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
        .sort(
          (a, b) =>
            Number(first.has(b.id)) - Number(first.has(a.id)) || a.name.localeCompare(b.name),
        )
        .map(({ id, name, client }) => ({
          ...{ value: id, label: name },
          about: [client, first.has(id) ? 'first for you' : ''].filter(Boolean).join(' · '),
        }))}
    />
  );
}
