import { CataloguesAnswer } from '@ant-trail/contract/catalogues';
import { OUR_LISTS } from '@ant-trail/core/catalogues';
import type { LookupQuestion } from '@ant-trail/core/sheet';
import { Column } from '@/design/box.tsx';
import { Pick } from '@/design/pick.tsx';
import { Tick } from '@/design/tick.tsx';
import { useOfficeHere } from '@/device/office-here.ts';
import type { KindFieldsProps } from './props.ts';

export function CatalogueFields({ question, set }: KindFieldsProps<LookupQuestion>) {
  const { answer } = useOfficeHere(CataloguesAnswer, '/api/catalogues');
  const known = [...(answer?.catalogues ?? []), ...OUR_LISTS].map(({ key, name }) => ({
    value: key,
    label: name,
  }));
  const here = known.some(({ value }) => value === question.catalogue);
  return (
    <Column gap="$2">
      <Pick
        label="Catalogue or list to look in"
        value={question.catalogue}
        options={here ? known : [{ value: question.catalogue, label: 'Choose one' }, ...known]}
        onChange={(catalogue) => set({ catalogue })}
      />
      <Tick
        label="A name may be written by hand"
        on={question.somethingElse === true}
        onPress={() => set({ somethingElse: question.somethingElse ? undefined : true })}
      />
    </Column>
  );
}
