import { PROGRAMME_PATH, type AnswerValue, type Entry } from '@ant-trail/core/log';
import {
  OpenSheet,
  planSheet,
  problemsOf,
  sayScore,
  type QuestionState,
  type SheetState,
  type TemplateBody,
} from '@ant-trail/core/sheet';
import { useMemo, useState } from 'react';
import { Column, Row, Rule } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Pick } from '@/design/pick.tsx';
import { Notice } from '@/design/notice.tsx';
import { Body, Heading } from '@/design/text.tsx';
import { newId } from '@/device/identity.ts';
import { usePrepared } from '@/device/use-prepared.ts';
import { TryControl, type Give } from './try-control.tsx';
import { KeepVariant } from './variants.tsx';
import { Why } from './why.tsx';

/** Of many rows the first ones tell enough. */
const ROWS_TRIED = 3;

export interface PreviewProps {
  readonly body: TemplateBody;
  readonly chosen: string | null;
  readonly onChange: (body: TemplateBody) => void;
}

/** The template at work: the same engine as on the phone, with answers given here. */
export function Preview({ body, chosen, onChange }: PreviewProps) {
  const [entries, setEntries] = useState<readonly Entry[]>([]);
  const [round, setRound] = useState(0);
  const ready = usePrepared(body);
  const plan = useMemo(
    () => (ready && problemsOf(body).length === 0 ? planSheet(body) : null),
    [body, ready],
  );
  const open = useMemo(() => {
    if (!plan) return null;
    const sheet = new OpenSheet(plan);
    sheet.add(entries);
    return sheet;
  }, [plan, entries]);
  const give = (path: string, value: AnswerValue | null, unit?: string): void => {
    if (!open) return;
    const entry: Entry = {
      id: newId(),
      sheet: 'preview',
      path,
      kind: value === null ? 'clear' : 'answer',
      value,
      ...(unit === undefined ? {} : { unit }),
      seen: open.headsOf(path),
      by: 'preview',
      device: 'preview',
      at: new Date().toISOString(),
      prev: null,
    };
    setEntries([...entries, entry]);
  };
  return (
    <Column padding="$3" gap="$3">
      <Row justifyContent="space-between">
        <Heading>As on the phone</Heading>
        <Button
          dense
          plain
          onPress={() => {
            setEntries([]);
            setRound(round + 1);
          }}
        >
          Empty it
        </Button>
      </Row>
      {open && plan && chosen !== null ? (
        <Why plan={plan} state={open.state} chosen={chosen} />
      ) : null}
      {open ? (
        <>
          {body.programmes ? (
            <Pick
              label="Programme"
              value={open.state.programme?.key ?? ''}
              options={[
                { value: '', label: 'None' },
                ...body.programmes.map(({ key, name }) => ({ value: key, label: name })),
              ]}
              onChange={(key) => give(PROGRAMME_PATH, key || null)}
            />
          ) : null}
          <Running key={round} state={open.state} chosen={chosen} give={give} />
          <KeepVariant body={body} state={open.state} onChange={onChange} />
        </>
      ) : (
        <Body small quiet>
          You can try it here once the problems are fixed.
        </Body>
      )}
    </Column>
  );
}

interface RunningProps {
  readonly state: SheetState;
  readonly chosen: string | null;
  readonly give: Give;
}

function Running({ state, chosen, give }: RunningProps) {
  const { answered, asked, looseEnds, score } = state;
  return (
    <Column gap="$3">
      <Body small quiet>
        {answered} of {asked} answered, {looseEnds.length}{' '}
        {looseEnds.length === 1 ? 'loose end' : 'loose ends'}
        {score ? `, ${sayScore(score)}` : ''}
      </Body>
      {state.sections.map((section) => (
        <Column key={section.section.id} gap="$2">
          <Heading>{section.section.title}</Heading>
          {section.questions.map((question) => (
            <Try key={question.path} state={question} chosen={chosen} give={give} />
          ))}
        </Column>
      ))}
    </Column>
  );
}

interface TryProps {
  readonly state: QuestionState;
  readonly chosen: string | null;
  readonly give: Give;
}

function Try({ state, chosen, give }: TryProps) {
  const { question } = state;
  return (
    <Column
      gap="$2"
      paddingLeft="$2"
      borderLeftWidth={4}
      borderColor={question.key === chosen ? '$trail' : 'transparent'}
    >
      <Body small strong>
        {question.label}
      </Body>
      <TryControl state={state} give={give} />
      {state.messages.map((message) => (
        <Notice key={message.words} tone="info">
          {message.words}
        </Notice>
      ))}
      {state.alert ? (
        <Body small eyes>
          {state.alert.words}.
        </Body>
      ) : null}
      {question.kind === 'rows'
        ? state.rows.slice(0, ROWS_TRIED).map((row) => (
            <Column key={row.id} marginLeft="$3" gap="$2">
              <Body small strong>
                {row.name}
              </Body>
              {row.questions.map((each) => (
                <Try key={each.path} state={each} chosen={chosen} give={give} />
              ))}
            </Column>
          ))
        : state.findings.map((finding) => (
            <Body key={finding.words} small eyes>
              Finding: {finding.words}
            </Body>
          ))}
      <Rule />
    </Column>
  );
}
