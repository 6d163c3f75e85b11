import { freeKey } from '@ant-trail/core/logic';
import {
  SEVERITIES,
  severityWord,
  type ChoiceQuestion,
  type ChoicesQuestion,
  type Option,
  type Severity,
} from '@ant-trail/core/sheet';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { Pick } from '@/design/pick.tsx';
import { Heading } from '@/design/text.tsx';
import { Tick } from '@/design/tick.tsx';
import { NumberField } from '@/design/number-field.tsx';
import type { Patch } from './patch.ts';

export interface OptionsEditorProps {
  readonly question: ChoiceQuestion | ChoicesQuestion;
  readonly set: (patch: Patch) => void;
  readonly scored: boolean;
}

/** The answers to choose from, each with how bad it is and its points. */
export function OptionsEditor({ question, set, scored }: OptionsEditorProps) {
  const { options } = question;
  const change = (index: number, option: Option): void =>
    set({ options: options.map((each, at) => (at === index ? option : each)) });
  return (
    <Column gap="$2">
      <Heading>Answers</Heading>
      {options.map((option, index) => (
        <Row key={option.key} gap="$2" alignItems="flex-end">
          <Column flex={2}>
            <Input
              label={`Answer ${index + 1}`}
              value={option.label}
              onChange={(label) => change(index, { ...option, label })}
            />
          </Column>
          <Pick
            label="How bad"
            value={String(option.severity ?? 0)}
            options={SEVERITIES.map((each) => ({ value: String(each), label: severityWord(each) }))}
            onChange={(value) => change(index, { ...option, severity: Number(value) as Severity })}
          />
          {scored ? (
            <NumberField
              label="Points"
              value={option.points}
              onChange={(points) => {
                const { key, label, severity } = option;
                change(index, {
                  key,
                  label,
                  ...(severity === undefined ? {} : { severity }),
                  ...(points === undefined ? {} : { points }),
                });
              }}
            />
          ) : null}
          <Button
            dense
            plain
            label={`Remove the answer ${option.label}`}
            disabled={options.length < 2}
            onPress={() => set({ options: options.filter((_, at) => at !== index) })}
          >
            ×
          </Button>
        </Row>
      ))}
      <Row gap="$3">
        <Button
          dense
          onPress={() => {
            const label = `Answer ${options.length + 1}`;
            const key = freeKey(label, new Set(options.map((option) => option.key)));
            set({ options: [...options, { key, label }] });
          }}
        >
          Add an answer
        </Button>
        <Tick
          label="or something else"
          on={question.somethingElse === true}
          onPress={() => set({ somethingElse: question.somethingElse ? undefined : true })}
        />
      </Row>
    </Column>
  );
}
