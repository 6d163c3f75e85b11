import type { Field } from '@ant-trail/core/fields';
import { Column } from '@/design/box.tsx';
import { Body } from '@/design/text.tsx';
import { deskControl } from '@/features/kinds/desk/controls.ts';
import type { WrittenFacts } from './use-facts.ts';

export interface FactsFieldsProps {
  readonly fields: readonly Field[];
  readonly written: WrittenFacts;
}

/** Kinds whose control has no label of its own to be seen. */
const UNLABELLED: ReadonlySet<string> = new Set(['choice', 'choices', 'yesNo']);

/** Fields, each answered as its question is at the desk. */
export function FactsFields({ fields, written }: FactsFieldsProps) {
  const { facts, wrong, give } = written;
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
              onGive={(given) => give(field.key, given)}
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
