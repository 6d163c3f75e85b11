import { AssetKind } from '@ant-trail/contract/register';
import type { Field } from '@ant-trail/core/fields';
import { useState } from 'react';
import { Column, Row, Rule } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Notice } from '@/design/notice.tsx';
import { Body, Heading } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { FieldsEditor } from '@/features/fields/desk/fields-editor.tsx';
import { useKinds } from './use-kinds.ts';

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
      <FieldsEditor fields={fields} onChange={setFields} />
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
