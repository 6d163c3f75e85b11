import { sayFact, type Facts, type FieldHolder } from '@ant-trail/core/fields';
import { Column, Row } from '@/design/box.tsx';
import { sayDatedDay } from '@/design/say-day.ts';
import { Body } from '@/design/text.tsx';
import { useOwnFields } from './use-own-fields.ts';

export interface OwnFactsProps {
  readonly holder: FieldHolder;
  readonly facts: Facts | undefined;
}

/** What is known by the office's own fields, with what is not known yet. */
export function OwnFacts({ holder, facts = {} }: OwnFactsProps) {
  const { fields } = useOwnFields(holder);
  return (
    <Column gap="$1" maxWidth={520}>
      {fields.map((field) => (
        <Row key={field.key} gap="$3" justifyContent="space-between">
          <Body small quiet>
            {field.label}
          </Body>
          <Body small>{sayFact(field, facts, sayDatedDay) || 'not known'}</Body>
        </Row>
      ))}
    </Column>
  );
}
