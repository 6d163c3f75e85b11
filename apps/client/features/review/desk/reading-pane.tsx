import { Person } from '@ant-trail/contract/accounts';
import type { Dossier } from '@ant-trail/contract/review';
import { sayRange, unusualAtEnd, writeEntered, writeUnit } from '@ant-trail/core/measure';
import { needsEyes } from '@ant-trail/core/review';
import {
  everyQuestion,
  inUnit,
  isReading,
  judgeReading,
  numberOf,
  sayMinutes,
  sayScore,
  sayState,
  textOf,
  timeInSheet,
  walk,
  type QuestionState,
} from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Column, Row, Rule } from '@/design/box.tsx';
import { Button, OutsideLink } from '@/design/button.tsx';
import { Mark, type MarkName } from '@/design/mark.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { sayPast, sayShortDay, sayWhen } from '@/design/say-day.ts';
import { Sparkline } from '@/design/sparkline.tsx';
import { Body, Figure, Heading, Title } from '@/design/text.tsx';
import { useOffice } from '@/device/office.ts';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { DocumentsThen } from '@/features/documents/desk/documents-then.tsx';
import { Reckoned } from '@/features/trades/reckoned.tsx';
import { ProgrammeDifference } from './differences.tsx';
import type { ReadingState } from './read-dossier.ts';
import { SheetNotices } from './sheet-notices.tsx';

export interface ReadingPaneProps {
  readonly dossier: Dossier;
  readonly reading: ReadingState;
  readonly chosen: string | null;
  readonly onChoose: (key: string) => void;
  readonly onSettled: () => void;
}

/** The sheet as the reviewer reads it: what needs eyes open, the rest folded away with a count. */
export function ReadingPane({ dossier, reading, chosen, onChoose, onSettled }: ReadingPaneProps) {
  const [all, setAll] = useState<string | null>(null);
  const { state } = reading;
  const showAll = all === dossier.sheet.id;
  const usual = [...everyQuestion(state)].filter((stop) => !needsEyes(stop.state));
  return (
    <Column padding="$5" gap="$4">
      <Head dossier={dossier} reading={reading} onSettled={onSettled} />
      {state.sections.map((section) => {
        const shown = [...walk(section.questions, [])].filter(
          (stop) => showAll || needsEyes(stop.state),
        );
        if (shown.length === 0) return null;
        return (
          <Column key={section.section.id}>
            <Heading paddingBottom="$2">{section.section.title}</Heading>
            {shown.map(({ state: question, rows }) => (
              <Line
                key={question.path}
                state={question}
                rows={rows}
                dossier={dossier}
                chosen={chosen === question.path}
                onChoose={() => onChoose(question.path)}
              />
            ))}
          </Column>
        );
      })}
      {usual.length > 0 ? (
        <Row gap="$2" flexWrap="wrap">
          <Body small quiet>
            {usual.length} {usual.length === 1 ? 'answer' : 'answers'} as usual.
          </Body>
          <Button dense onPress={() => setAll(showAll ? null : dossier.sheet.id)}>
            {showAll ? 'Hide them' : 'Show them'}
          </Button>
        </Row>
      ) : null}
      <DocumentsThen documents={dossier.documents} />
      <Row gap="$2" maxWidth={380}>
        {(['xlsx', 'csv'] as const).map((format) => (
          <OutsideLink key={format} href={`/api/sheets/${dossier.sheet.id}/answers.${format}`}>
            Answers as {format.toUpperCase()}
          </OutsideLink>
        ))}
      </Row>
    </Column>
  );
}

function Head({
  dossier,
  reading,
  onSettled,
}: Pick<ReadingPaneProps, 'dossier' | 'reading' | 'onSettled'>) {
  const { organisation } = useMe();
  const people = usePeople();
  const { visit, job, site, version, entries } = dossier;
  const finish = entries.filter((entry) => entry.kind === 'finish').at(-1);
  const by = finish?.by ?? visit.person;
  const doer = useOffice(Person, by ? `/api/people/${by}` : null, ['person']).answer;
  const arrived = visit.events.find((event) => event.kind === 'arrived');
  const credentials = doer?.credentials.map((c) => `${c.kind} ${c.number}`).join(', ');
  const times = [
    arrived ? sayWhen(arrived.at, organisation.timeZone) : null,
    finish ? sayWhen(finish.at, organisation.timeZone) : null,
  ].filter((time) => time !== null);
  const own = entries.filter((entry) => entry.by === doer?.id);
  return (
    <Column gap="$1">
      <Title>
        {site.name} · {job.title.toLowerCase()}
      </Title>
      <Body small quiet>
        {[
          [doer?.name ?? people.name(visit.person), credentials].filter(Boolean).join(', '),
          times.join(' to '),
          sayMinutes(timeInSheet(own.map((entry) => entry.at))),
          `template version ${version.number}`,
        ]
          .filter(Boolean)
          .join(' · ')}
      </Body>
      {reading.state.score ? <Body strong>{sayScore(reading.state.score)}</Body> : null}
      <Reckoned results={reading.state.reckoned} />
      <SheetNotices dossier={dossier} reading={reading} />
      <ProgrammeDifference dossier={dossier} reading={reading} onSettled={onSettled} />
    </Column>
  );
}

interface LineProps {
  readonly state: QuestionState;
  /** Names of the rows it stands in. */
  readonly rows: readonly string[];
  readonly dossier: Dossier;
  readonly chosen: boolean;
  readonly onChoose: () => void;
}

const differs = ({ disagreement, conflicts, rows }: QuestionState): boolean =>
  disagreement.length + conflicts.length > 0 ||
  rows.some((row) => row.removal !== null || row.naming.length > 0);

function markFor(state: QuestionState): MarkName | null {
  if (differs(state)) return 'differs';
  if (state.question.kind === 'rows') return null;
  if (state.alert ?? (state.findings[0]?.severity ?? 0) >= 2) return 'needs eyes';
  return null;
}

function Line({ state, rows, dossier, chosen, onChoose }: LineProps) {
  const { question } = state;
  const mark = markFor(state);
  const ground =
    mark === 'differs' ? '$lakeGround' : mark === 'needs eyes' ? '$clayGround' : 'transparent';
  const said = sayState(state, sayShortDay);
  const corrected = state.history.some((entry) => entry.kind === 'correct');
  return (
    <Column>
      <PressableRow
        onPress={onChoose}
        aria-current={chosen ? 'true' : undefined}
        backgroundColor={ground}
        borderLeftWidth={4}
        borderColor={chosen ? '$trail' : 'transparent'}
        paddingHorizontal="$3"
        paddingVertical="$2"
      >
        <Row gap="$3" alignSelf="stretch" flexWrap="wrap">
          <Column flex={2} minWidth={180}>
            <Body small strong>
              {[...rows, question.label].join(' · ')}
            </Body>
            <Body tiny quiet={mark !== 'needs eyes'} eyes={mark === 'needs eyes'}>
              {notesOn(state, dossier)}
            </Body>
          </Column>
          <Row flex={1} minWidth={120} gap={6}>
            {mark ? <Mark name={mark} size={16} /> : null}
            {isReading(question) ? (
              <Figure eyes={mark === 'needs eyes'}>{said}</Figure>
            ) : (
              <Body small eyes={mark === 'needs eyes'}>
                {said}
              </Body>
            )}
            {corrected ? (
              <Body tiny quiet>
                corrected
              </Body>
            ) : null}
          </Row>
          <Row width={130}>
            <Small state={state} dossier={dossier} />
          </Row>
        </Row>
      </PressableRow>
      <Rule />
    </Column>
  );
}

function Small({ state, dossier }: { state: QuestionState; dossier: Dossier }) {
  const { organisation } = useMe();
  const { question, answer, expected } = state;
  const value = answer && numberOf(answer.value);
  if (!isReading(question) || !answer || value === null) return null;
  const earlier = dossier.series.find(({ key }) => key === state.path)?.points ?? [];
  if (earlier.length < 2) return null;
  const points = [
    ...earlier,
    { at: answer.entry.at, value: inUnit(value, answer.unit, question.unit) },
  ].slice(-8);
  return (
    <Sparkline
      bare
      height={34}
      range={expected ?? undefined}
      name={`${question.label} over the last ${points.length} visits: ${points.map((point) => writeEntered(point.value, question.decimals)).join(', ')} ${writeUnit(question.unit)}`}
      points={points.map((point) => ({
        label: sayPast(point.at, organisation.timeZone),
        value: point.value,
        out: judgeReading(question, point.value, expected) !== null,
      }))}
    />
  );
}

/** The words under a label: expected range, drift, reason. */
function notesOn(state: QuestionState, dossier: Dossier): string {
  const { question, answer, alert, reason, expected } = state;
  const notes: string[] = [];
  if (isReading(question)) {
    if (expected) notes.push(`expected ${sayRange(expected, writeUnit(question.unit))}`);
    if (alert?.zone) notes.push(alert.words);
    const earlier = dossier.series.find(({ key }) => key === state.path)?.points ?? [];
    const value = answer && numberOf(answer.value);
    const now = answer && value !== null ? [inUnit(value, answer.unit, question.unit)] : [];
    const unusual =
      now.length > 0 ? unusualAtEnd([...earlier.map((point) => point.value), ...now]) : null;
    if (unusual) notes.push(unusual.words);
  }
  for (const message of state.messages) notes.push(message.words);
  // The row is under its label already, and an open answer is said in its own cell.
  for (const end of state.question.kind === 'rows' ? [] : state.looseEnds)
    if (end.missing !== 'answer') notes.push(end.words.replace(`${question.label}: `, ''));
  if (answer?.entry.kind === 'prepare') notes.push('by the office, beforehand');
  if (reason) notes.push(`“${textOf(reason.value)}”`);
  if (differs(state)) notes.push('two answers that did not see each other');
  return notes.join(' · ');
}
