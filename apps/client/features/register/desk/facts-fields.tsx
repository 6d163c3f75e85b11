import type { Facts, Field } from '@ant-trail/core/fields';
import { Column } from '@/design/box.tsx';
import { Body } from '@/design/text.tsx';
import type { Given } from '@/features/kinds/desk/control.ts';
import { deskControl } from '@/features/kinds/desk/controls.ts';

export interface FactsFieldsProps {
  readonly fields: readonly Field[];
  readonly facts: Facts;
  /** What is wrong, by the key of its field. */
  readonly wrong: ReadonlyMap<string, string>;
  readonly onGive: (key: string, given: Given) => void;
}

/** Kinds whose control has no label of its own to be seen. */
const UNLABELLED: ReadonlySet<string> = new Set(['choice', 'choices', 'yesNo']);

/** The fields a kind of thing has, each answered as its question is at the desk. */
export function FactsFields({ fields, facts, wrong, onGive }: FactsFieldsProps) {
  return (
    <>
      {fields.map((field) => {
        const Control = deskControl(field);
        const fact = Object.hasOwn(facts, field.key) ? facts[field.key] : undefined;
        return Control ? (
          <Column key={field.key} gap="$1">
            {UNLABELLED.has(field.kind) ? (
              <Body small strong>
                {field.label}
              </Body>
            ) : null}
            <Control
              question={field}
              label={field.label}
              value={fact?.value ?? null}
              unit={fact?.unit}
              onGive={(given) => onGive(field.key, given)}
            />
            {wrong.has(field.key) ? (
              <Body small eyes role="alert">
                {wrong.get(field.key)}
              </Body>
            ) : null}
          </Column>
        ) : null;
      })}
    </>
  );
}
