import { FIELD_KINDS, type Field, type FieldKind } from '@ant-trail/core/fields';
import { freeKey } from '@ant-trail/core/logic';
import { writeUnit } from '@ant-trail/core/measure';
import { useState, type ReactNode } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { Pick } from '@/design/pick.tsx';
import { Body } from '@/design/text.tsx';

/** Kinds of field that need nothing said besides; those of a template's builder come from there. */
const OFFERED = {
  text: 'Words',
  number: 'A number with its unit',
  date: 'A day',
  yesNo: 'Yes or no',
  choice: 'One of a few',
  choices: 'Several of a few',
  phone: 'A telephone number',
  email: 'An e-mail address',
} as const satisfies Partial<Record<FieldKind, string>>;
type Offered = keyof typeof OFFERED;

const isOffered = (kind: string): kind is Offered => Object.hasOwn(OFFERED, kind);
const wordsOf = (kind: FieldKind): string => (isOffered(kind) ? OFFERED[kind] : kind);

export interface FieldsEditorProps {
  readonly fields: readonly Field[];
  readonly onChange: (fields: readonly Field[]) => void;
  /** What else can be said of a field. */
  readonly more?: (field: Field) => ReactNode;
}

/** What is to be known: fields added and taken off. */
export function FieldsEditor({ fields, onChange, more }: FieldsEditorProps) {
  return (
    <>
      {fields.map((field) => (
        <Row key={field.key} gap="$3" justifyContent="space-between" flexWrap="wrap">
          <Column flex={1} minWidth={160}>
            <Body strong>{field.label}</Body>
            <Body small quiet>
              {aboutField(field)}
            </Body>
          </Column>
          {more?.(field)}
          <Button
            dense
            plain
            label={`Take off ${field.label}`}
            onPress={() => onChange(fields.filter((each) => each !== field))}
          >
            Take off
          </Button>
        </Row>
      ))}
      <NewField
        taken={fields.map(({ key }) => key)}
        onAdd={(field) => onChange([...fields, field])}
      />
    </>
  );
}

/** How a field is answered, as “A number with its unit, in kW”. */
function aboutField(field: Field): string {
  const words = wordsOf(field.kind);
  if (field.kind === 'number') {
    const unit = writeUnit(field.unit);
    return unit ? `${words}, in ${unit}` : words;
  }
  if (field.kind !== 'choice' && field.kind !== 'choices') return words;
  return `${words}: ${field.options.map(({ label }) => label).join(', ')}`;
}

function NewField({ taken, onAdd }: { taken: readonly string[]; onAdd: (field: Field) => void }) {
  const [label, setLabel] = useState('');
  const [kind, setKind] = useState<Offered>('text');
  const [more, setMore] = useState('');
  const [problem, setProblem] = useState<string | undefined>();
  const add = (): void => {
    const field = fieldOf(kind, label.trim(), more, taken);
    if (typeof field === 'string') return setProblem(field);
    onAdd(field);
    setLabel('');
    setMore('');
    setProblem(undefined);
  };
  return (
    <Row gap="$2" alignItems="flex-start" flexWrap="wrap">
      <Column flex={1} minWidth={150}>
        <Input label="One more" value={label} onChange={setLabel} problem={problem} />
      </Column>
      <Column width={170}>
        <Pick
          label="Answered by"
          value={kind}
          onChange={(to) => isOffered(to) && setKind(to)}
          options={FIELD_KINDS.filter(isOffered).map((value) => ({
            ...{ value, label: OFFERED[value] },
          }))}
        />
      </Column>
      {kind === 'number' || kind === 'choice' || kind === 'choices' ? (
        <Column width={150}>
          <Input
            label={kind === 'number' ? 'Unit, such as kW' : 'Answers, between commas'}
            value={more}
            onChange={setMore}
          />
        </Column>
      ) : null}
      <Column paddingTop={26}>
        <Button dense onPress={add}>
          Add it
        </Button>
      </Column>
    </Row>
  );
}

/** A field as the form says it, or what is missing. */
function fieldOf(
  kind: Offered,
  label: string,
  more: string,
  taken: readonly string[],
): Field | string {
  if (!label) return 'Give it a name.';
  const base = { key: freeKey(label, new Set(taken)), label, required: false };
  if (kind === 'number') return { ...base, kind, unit: more.trim() || '1' };
  if (kind !== 'choice' && kind !== 'choices') return { ...base, kind };
  const words = [
    ...new Set(
      more
        .split(',')
        .map((word) => word.trim())
        .filter(Boolean),
    ),
  ];
  if (words.length < 2) return 'Write two answers or more, between commas.';
  const keys = new Set<string>();
  const options = words.map((word) => {
    const key = freeKey(word, keys);
    keys.add(key);
    return { key, label: word };
  });
  return { ...base, kind, options };
}
