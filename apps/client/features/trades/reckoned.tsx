import type { SheetState } from '@ant-trail/core/sheet';
import { sayReckoned } from '@ant-trail/core/trades';
import { Column, Row } from '@/design/box.tsx';
import { Body, Figure } from '@/design/text.tsx';

/** What the sheet's kit reckons, as it comes to be known. */
export function Reckoned({ results }: { readonly results: SheetState['reckoned'] }) {
  const shown = results.filter(({ aside }) => !aside);
  if (shown.length === 0) return null;
  return (
    <Row role="group" aria-label="Reckoned" columnGap="$4" rowGap="$1" flexWrap="wrap">
      {shown.map((result) => (
        <Column key={result.name}>
          <Body tiny quiet>
            {result.label}
          </Body>
          <Figure small strong={result.value !== null}>
            {sayReckoned(result, result.value, '–')}
          </Figure>
        </Column>
      ))}
    </Row>
  );
}
