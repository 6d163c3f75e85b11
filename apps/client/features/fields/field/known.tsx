import { sayFact, type Facts, type FieldHolder } from '@ant-trail/core/fields';
import { Column, Row } from '@/design/box.tsx';
import { sayDatedDay } from '@/design/say-day.ts';
import { Body } from '@/design/text.tsx';
import { useLive } from '@/device/use-live.ts';
import { usePhone } from '@/features/sync/phone.tsx';

export interface KnownProps {
  readonly holder: FieldHolder;
  readonly facts: Facts | undefined;
}

/** What is known of a job or a place by the office's own fields. */
export function Known({ holder, facts = {} }: KnownProps) {
  const { store } = usePhone();
  const own = useLive(() => store.ownFields.where({ holder }).first(), [store, holder]);
  const lines = (own?.fields ?? [])
    .map((field) => ({
      key: field.key,
      label: field.label,
      said: sayFact(field, facts, sayDatedDay),
    }))
    .filter(({ said }) => said);
  if (lines.length === 0) return null;
  return (
    <Column gap="$1">
      {lines.map(({ key, label, said }) => (
        <Row key={key} gap="$3" justifyContent="space-between" flexWrap="wrap">
          <Body small quiet>
            {label}
          </Body>
          <Body>{said}</Body>
        </Row>
      ))}
    </Column>
  );
}
