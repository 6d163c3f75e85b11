import { isOurList, lookedUp } from '@ant-trail/core/catalogues';
import { sayAnswer, type LookupQuestion } from '@ant-trail/core/sheet';
import { useContext } from 'react';
import { Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body } from '@/design/text.tsx';
import { useCatalogue } from '@/features/catalogues/desk/use-catalogue.ts';
import { RowSearch } from '@/features/catalogues/row-search.tsx';
import { AtPlace } from './at-place.ts';
import type { DeskControlProps } from './control.ts';

/** A row of the catalogue as it is now, or a name written by hand where the template allows it. */
export function LookupControl(props: DeskControlProps<LookupQuestion>) {
  const { question, label, value, onGive } = props;
  const place = useContext(AtPlace);
  const catalogue = useCatalogue(question.catalogue, place);
  if (value !== null)
    return (
      <Row gap="$3" justifyContent="space-between">
        <Body strong flex={1}>
          {sayAnswer(question, value)}
        </Body>
        <Button dense plain onPress={() => onGive({ value: null })}>
          Look again
        </Button>
      </Row>
    );
  return catalogue ? (
    <RowSearch
      label={label}
      catalogue={catalogue}
      onChoose={(row) => onGive({ value: lookedUp(question.catalogue, row) })}
      {...(question.somethingElse
        ? {
            onOwnWords: (words: string) =>
              onGive({
                value: { catalogue: question.catalogue, row: '', label: words, fields: {} },
              }),
          }
        : {})}
    />
  ) : (
    <Body quiet>
      {isOurList(question.catalogue) && place === null
        ? 'Looked up at the place, with or without a network.'
        : 'The catalogue is on its way.'}
    </Body>
  );
}
