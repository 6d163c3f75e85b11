import { AssetKind } from '@ant-trail/contract/register';
import { FIELD_KINDS, type Field, type FieldKind } from '@ant-trail/core/fields';
import { freeKey } from '@ant-trail/core/logic';
import { writeUnit } from '@ant-trail/core/measure';
import { useState } from 'react';
import { Column, Row, Rule } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Notice } from '@/design/notice.tsx';
import { Pick } from '@/design/pick.tsx';
import { Body, Heading } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { useKinds } from './use-kinds.ts';

/** Kinds of field that need nothing said besides; those of a template's builder come from there. */
const OFFERED = {
  text: 'Words',
  number: 'A number with its unit',
  date: 'A day',
  yesNo: 'Yes or no',
  choice: 'One of a few',
} as const satisfies Partial<Record<FieldKind, string>>;
type Offered = keyof typeof OFFERED;

const isOffered = (kind: string): kind is Offered => Object.hasOwn(OFFERED, kind);
const wordsOf = (kind: FieldKind): string => (isOffered(kind) ? OFFERED[kind] : kind);

/** Kinds of thing, and what is to be known of each. */
export function KindsDialog({ onClose }: { onClose: () => void }) {
  const kinds = useKinds();
  const [opened, setOpened] = useState<AssetKind | 'new' | null>(null);
  return (
    <Dialog title="Kinds of thing" onClose={onClose} width={560}>
      <Column gap="$3">
        {opened === null ? (
          <>
            {kinds.length === 0 ? (
              <Body quiet>
                A kind says what is to be known of each thing of it, such as maker and serial.
              </Body>
            ) : null}
            {kinds.map((kind) => (
              <Column key={kind.id} gap="$1">
                <Row justifyContent="space-between" gap="$3">
                  <Column flex={1}>
                    <Body strong>{kind.name}</Body>
                    <Body small quiet>
                      {kind.fields.map(({ label }) => label).join(', ') || 'nothing but its name'}
                    </Body>
                  </Column>
                  <Button dense plain label={`Change ${kind.name}`} onPress={() => setOpened(kind)}>
                    Change
                  </Button>
                </Row>
                <Rule />
              </Column>
            ))}
            <Row>
              <Button dense onPress={() => setOpened('new')}>
                Add a kind
              </Button>
            </Row>
          </>
        ) : (
          <KindForm
            key={opened === 'new' ? 'new' : opened.id}
            kind={opened === 'new' ? null : opened}
            onDone={() => setOpened(null)}
          />
        )}
      </Column>
    </Dialog>
  );
}

function KindForm({ kind, onDone }: { kind: AssetKind | null; onDone: () => void }) {
  const [name, setName] = useState(kind?.name ?? '');
  const [fields, setFields] = useState<readonly Field[]>(kind?.fields ?? []);
  const [problem, setProblem] = useState<string | null>(null);
  const save = async (): Promise<void> => {
    if (!name.trim()) return setProblem('Give the kind a name.');
    try {
      const draft = { name, fields };
      if (kind) await ask(AssetKind, 'PUT', `/api/asset-kinds/${kind.id}`, draft);
      else await ask(AssetKind, 'POST', '/api/asset-kinds', draft);
      onDone();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  return (
    <Column gap="$3">
      <Input label="What the kind is called" value={name} onChange={setName} />
      <Heading>What is to be known</Heading>
      {fields.map((field) => (
        <Row key={field.key} gap="$3" justifyContent="space-between">
          <Column flex={1}>
            <Body strong>{field.label}</Body>
            <Body small quiet>
              {wordsOf(field.kind)}
              {field.kind === 'number' && writeUnit(field.unit)
                ? `, in ${writeUnit(field.unit)}`
                : ''}
              {field.kind === 'choice'
                ? `: ${field.options.map(({ label }) => label).join(', ')}`
                : ''}
            </Body>
          </Column>
          <Button
            dense
            plain
            label={`Take off ${field.label}`}
            onPress={() => setFields(fields.filter((each) => each !== field))}
          >
            Take off
          </Button>
        </Row>
      ))}
      <NewField
        taken={fields.map(({ key }) => key)}
        onAdd={(field) => setFields([...fields, field])}
      />
      {problem ? (
        <Notice tone="eyes" alert>
          {problem}
        </Notice>
      ) : null}
      <Row gap="$2">
        <Button main onPress={save}>
          Save
        </Button>
        <Button onPress={onDone}>Leave it as it was</Button>
      </Row>
    </Column>
  );
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
      {kind === 'number' || kind === 'choice' ? (
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
  if (kind !== 'choice') return { ...base, kind };
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
