import { asVariant, type SheetState, type TemplateBody } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { Body, Heading } from '@/design/text.tsx';
import { withList } from '@ant-trail/core/templates';

interface Changing {
  readonly body: TemplateBody;
  readonly onChange: (body: TemplateBody) => void;
}

/** The answers a sheet may begin with, by name. */
export function Variants({ body, onChange }: Changing) {
  const variants = body.variants ?? [];
  return (
    <Column gap="$1">
      <Heading>Variants to begin with</Heading>
      {variants.length === 0 ? (
        <Body small quiet>
          None. Give answers under “As on the phone” and keep them there as a variant.
        </Body>
      ) : null}
      {variants.map(({ name, answers }) => (
        <Row key={name} gap="$2" justifyContent="space-between">
          <Body small>
            {name}, {answers.length} {answers.length === 1 ? 'answer' : 'answers'}
          </Body>
          <Button
            dense
            plain
            label={`Remove the variant ${name}`}
            onPress={() =>
              onChange(
                withVariants(
                  body,
                  variants.filter((each) => each.name !== name),
                ),
              )
            }
          >
            Remove
          </Button>
        </Row>
      ))}
    </Column>
  );
}

/** Keeps what was answered in the preview as a variant. */
export function KeepVariant({ body, state, onChange }: Changing & { readonly state: SheetState }) {
  const [name, setName] = useState('');
  const answers = asVariant(state);
  if (answers.length === 0) return null;
  const keep = (): void => {
    const others = (body.variants ?? []).filter((each) => each.name !== name.trim());
    onChange(withVariants(body, [...others, { name: name.trim(), answers }]));
    setName('');
  };
  return (
    <Column gap="$2">
      <Input
        label="Keep these answers as a variant called"
        value={name}
        onChange={setName}
        onEnter={keep}
      />
      <Row>
        <Button dense disabled={!name.trim()} onPress={keep}>
          Keep the variant
        </Button>
      </Row>
    </Column>
  );
}

const withVariants = (
  body: TemplateBody,
  variants: NonNullable<TemplateBody['variants']>,
): TemplateBody => withList(body, 'variants', variants);
