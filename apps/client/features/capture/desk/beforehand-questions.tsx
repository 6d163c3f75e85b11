import { rowPath } from '@ant-trail/core/log';
import {
  sayState,
  type QuestionState,
  type RowState,
  type SheetState,
  type TemplateBody,
} from '@ant-trail/core/sheet';
import { createContext, useContext, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { sayShortDay } from '@/design/say-day.ts';
import { Body, Heading } from '@/design/text.tsx';
import { newId } from '@/device/identity.ts';
import type { Given } from '@/features/kinds/desk/control.ts';
import { deskControl } from '@/features/kinds/desk/controls.ts';
import { isForTheOffice, isTaken } from './beforehand.ts';
import { RowsOfKit } from './rows-of-kit.tsx';

export interface BeforehandProps {
  readonly body: TemplateBody;
  /** What the sheet is about, as people call it. */
  readonly about: string;
  readonly open: boolean;
  readonly wrong: ReadonlyMap<string, string>;
  readonly onGive: (path: string, given: Given) => void;
}

/** What a question drawn by a trade kit needs to know of the page around it. */
const Around = createContext<(BeforehandProps & { readonly sheet: SheetState }) | null>(null);

/** A question as a trade kit has it drawn. */
function QuestionOfKit({ state, locked }: { state: QuestionState; locked: boolean }) {
  const around = useContext(Around);
  return around ? (
    <BeforehandQuestion {...around} state={state} open={around.open && !locked} />
  ) : null;
}

export function BeforehandSections(props: BeforehandProps & { readonly state: SheetState }) {
  const { state, ...rest } = props;
  return (
    <Around.Provider value={{ ...rest, sheet: state }}>
      <Sections state={state} {...rest} />
    </Around.Provider>
  );
}

function Sections(props: BeforehandProps & { readonly state: SheetState }) {
  const { state, ...rest } = props;
  const sections = state.sections.filter(({ questions }) => questions.some(hasSomething));
  return (
    <>
      {sections.map(({ section, questions }) => (
        <Column key={section.id} gap="$4" render="section" aria-label={section.title}>
          <Heading>{section.title}</Heading>
          {questions.filter(hasSomething).map((question) => (
            <BeforehandQuestion key={question.path} state={question} {...rest} />
          ))}
        </Column>
      ))}
      {sections.length === 0 ? (
        <Body quiet>Nothing of this sheet can be known before somebody is there.</Body>
      ) : null}
    </>
  );
}

const hasSomething = (state: QuestionState): boolean =>
  isForTheOffice(state) || (state.question.kind === 'rows' && state.visible);

function BeforehandQuestion(props: BeforehandProps & { readonly state: QuestionState }) {
  const { state, open, wrong, onGive } = props;
  const { question, path, answer } = state;
  const around = useContext(Around);
  if (question.kind === 'rows')
    return around ? (
      <RowsOfKit
        {...{ state, open, onGive, sheet: around.sheet, about: around.about, body: around.body }}
        kit={around.body.kit}
        Question={QuestionOfKit}
      >
        <BeforehandRows {...props} />
      </RowsOfKit>
    ) : null;
  const Control = deskControl(question);
  const refused = wrong.get(path);
  return (
    <Column gap="$2">
      <Body strong>{question.label}</Body>
      {question.help ? (
        <Body small quiet>
          {question.help}
        </Body>
      ) : null}
      {!open || isTaken(state) || !Control ? (
        <Body small>
          {sayState(state, sayShortDay)}
          {isTaken(state) ? ' (said at the place)' : ''}
        </Body>
      ) : (
        <Control
          question={question}
          label={question.label}
          hideLabel
          value={answer?.value ?? null}
          unit={answer?.unit}
          onGive={(given) => onGive(path, given)}
        />
      )}
      {refused ? (
        <Body small eyes role="alert">
          {refused}
        </Body>
      ) : null}
    </Column>
  );
}

function BeforehandRows(props: BeforehandProps & { readonly state: QuestionState }) {
  const { state, ...rest } = props;
  const { question, path, rows } = state;
  const { open, onGive } = rest;
  const [name, setName] = useState('');
  if (question.kind !== 'rows') return null;
  const add = (): void => {
    const order = Math.max(0, ...rows.map((row) => row.order)) + 1;
    const called = name.trim() || `${question.each} ${rows.length + 1}`;
    onGive(rowPath(path, newId()), { value: { order, name: called } });
    setName('');
  };
  return (
    <Column gap="$3" role="group" aria-label={question.label}>
      <Body strong>{question.label}</Body>
      {rows.map((row) => (
        <BeforehandRow key={row.id} row={row} loose={!question.fixed} {...rest} />
      ))}
      {open && !question.fixed ? (
        <Row gap="$2" alignItems="flex-end">
          <Column flex={1}>
            <Input
              label={`Another ${question.each}`}
              value={name}
              onChange={setName}
              onEnter={add}
            />
          </Column>
          <Button onPress={add}>Add it</Button>
        </Row>
      ) : null}
    </Column>
  );
}

function BeforehandRow({
  row,
  loose,
  ...rest
}: BeforehandProps & { readonly row: RowState; readonly loose: boolean }) {
  return (
    <Column
      gap="$3"
      paddingLeft="$3"
      borderLeftWidth={3}
      borderColor="$trail"
      role="group"
      aria-label={row.name}
    >
      <Row gap="$2" justifyContent="space-between">
        <Body strong>{row.name}</Body>
        {rest.open && loose ? (
          <Button
            dense
            plain
            label={`Take back ${row.name}`}
            onPress={() => rest.onGive(row.path, { value: null })}
          >
            Take back
          </Button>
        ) : null}
      </Row>
      {row.questions.filter(hasSomething).map((question) => (
        <BeforehandQuestion key={question.path} state={question} {...rest} />
      ))}
    </Column>
  );
}
