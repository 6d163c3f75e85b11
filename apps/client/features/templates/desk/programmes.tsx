import { questionsOf, type Programme, type TemplateBody } from '@ant-trail/core/sheet';
import { freeKey } from '@ant-trail/core/logic';
import { withList } from '@ant-trail/core/templates';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { Pick } from '@/design/pick.tsx';
import { Body, Heading } from '@/design/text.tsx';

export interface ProgrammesProps {
  readonly body: TemplateBody;
  readonly onChange: (body: TemplateBody) => void;
}

/** Clients' programmes: what each of them requires, and what it leaves out. */
export function Programmes({ body, onChange }: ProgrammesProps) {
  const programmes = body.programmes ?? [];
  const [opened, setOpened] = useState<string | null>(null);
  const set = (next: readonly Programme[]): void => onChange(withList(body, 'programmes', next));
  /** A new programme's key is made from its name, once that is written. */
  const settleKey = (programme: Programme): void => {
    if (!programme.key.startsWith('programme_') || !programme.name.trim()) return;
    const others = programmes.filter((each) => each !== programme);
    const key = freeKey(programme.name, new Set(others.map((each) => each.key)));
    set(programmes.map((each) => (each === programme ? { ...each, key } : each)));
    if (opened === programme.key) setOpened(key);
  };
  const add = (): void => {
    const name = `Programme ${programmes.length + 1}`;
    const key = freeKey(name, new Set(programmes.map((each) => each.key)));
    set([...programmes, { key, name, required: [], leftOut: [] }]);
    setOpened(key);
  };
  return (
    <Column gap="$2">
      <Heading>Programmes</Heading>
      {programmes.map((programme, index) => (
        <Column key={index} gap="$2">
          <Row gap="$2" flexWrap="wrap" justifyContent="flex-end">
            <Column flexGrow={1} flexBasis={300}>
              <Input
                label="Name of the programme"
                value={programme.name}
                onChange={(name) =>
                  set(programmes.map((each) => (each === programme ? { ...each, name } : each)))
                }
                onLeave={() => settleKey(programme)}
                help={`Called “${programme.key}” in expressions.`}
              />
            </Column>
            <Button
              dense
              plain
              label={`${opened === programme.key ? 'Fold' : 'Open'} ${programme.name}`}
              onPress={() => setOpened(opened === programme.key ? null : programme.key)}
            >
              {opened === programme.key ? 'Fold' : 'Rules'}
            </Button>
            <Button
              dense
              plain
              label={`Remove the programme ${programme.name}`}
              onPress={() => set(programmes.filter((each) => each !== programme))}
            >
              Remove
            </Button>
          </Row>
          {opened === programme.key ? (
            <ProgrammeRules
              body={body}
              programme={programme}
              onChange={(next) => set(programmes.map((each) => (each === programme ? next : each)))}
            />
          ) : (
            <Body small quiet>
              {programme.required.length} required, {programme.leftOut.length} left out
            </Body>
          )}
        </Column>
      ))}
      <Row>
        <Button dense onPress={add}>
          Add a programme
        </Button>
      </Row>
    </Column>
  );
}

type Treatment = 'usual' | 'required' | 'leftOut';
const TREATMENTS: readonly { readonly value: Treatment; readonly label: string }[] = [
  { value: 'usual', label: 'as usual' },
  { value: 'required', label: 'required' },
  { value: 'leftOut', label: 'left out' },
];

interface ProgrammeRulesProps {
  readonly body: TemplateBody;
  readonly programme: Programme;
  readonly onChange: (programme: Programme) => void;
}

function ProgrammeRules({ body, programme, onChange }: ProgrammeRulesProps) {
  const { required, leftOut } = programme;
  const set = (key: string, treatment: Treatment): void => {
    const without = (keys: readonly string[]): string[] => keys.filter((each) => each !== key);
    onChange({
      ...programme,
      required: [...without(required), ...(treatment === 'required' ? [key] : [])],
      leftOut: [...without(leftOut), ...(treatment === 'leftOut' ? [key] : [])],
    });
  };
  return (
    <Column gap="$1">
      {questionsOf(body).map(({ key, label }) => (
        <Pick
          key={key}
          label={label}
          value={required.includes(key) ? 'required' : leftOut.includes(key) ? 'leftOut' : 'usual'}
          options={TREATMENTS}
          onChange={(value) => set(key, value as Treatment)}
        />
      ))}
    </Column>
  );
}
