import type { TemplateVersion } from '@ant-trail/core/sheet';
import { FindAmong } from '@/design/find-among.tsx';
import { useLive } from '@/device/use-live.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { favouritesFirst, useFavourites } from './favourites.tsx';
import { templatesHere } from './own-work.ts';

export interface PickTemplateProps {
  readonly chosen: TemplateVersion | null;
  readonly onChoose: (version: TemplateVersion | null) => void;
  /** Somebody wanted to go on without one. */
  readonly missing: boolean;
}

/** One of the sheets this phone knows, each in its newest version. */
export function PickTemplate({ chosen, onChoose, missing }: PickTemplateProps) {
  const { store } = usePhone();
  const first = useFavourites('sheet');
  const templates = favouritesFirst(
    useLive(() => templatesHere(store), [store]) ?? [],
    first,
    ({ template }) => template,
  );
  return (
    <FindAmong
      label="Which sheet?"
      chosen={chosen?.id ?? null}
      onChoose={(id) => onChoose(templates.find((each) => each.id === id) ?? null)}
      problem={missing && !chosen ? 'Choose the sheet.' : undefined}
      options={templates.map(({ id, template, body }) => ({
        ...{ value: id, label: body.title },
        ...(first.has(template) ? { about: 'first for you' } : {}),
      }))}
    />
  );
}
