import { driftAtEnd, readNumber, sayRange, writeNumber, writeUnit } from '@ant-trail/core/measure';
import { judgeReading, type NumberQuestion } from '@ant-trail/core/sheet';
import { Column, Row } from '@/design/box.tsx';
import { Input } from '@/design/input.tsx';
import { Mark } from '@/design/mark.tsx';
import { Sparkline, type SparkPoint } from '@/design/sparkline.tsx';
import { Body, Figure } from '@/design/text.tsx';
import { useMe } from '@/features/accounts/session.ts';
import { sayPast } from '@/features/planning/wording.ts';
import { useSheetSession, type PartProps } from '../field/sheet-context.tsx';
import { useDraft } from './use-draft.ts';

const SHOWN = 6;

/** A reading: what was typed is judged at every key, beside the range and the last values. */
export function NumberPart({ state, locked }: PartProps) {
  const session = useSheetSession();
  const { question } = state;
  const unit = question.kind === 'number' ? question.unit : '1';
  const kept =
    typeof state.answer?.value === 'number' && question.kind === 'number'
      ? writeNumber(state.answer.value, question.decimals)
      : '';
  const draft = useDraft(kept, (text) => {
    if (!text.trim()) {
      if (state.answer) void session.write(question.key, 'clear', null);
      return;
    }
    const read = readNumber(text);
    if ('value' in read && read.value !== state.answer?.value)
      void session.write(question.key, 'answer', read.value, { unit });
  });
  if (question.kind !== 'number') return null;
  const read = draft.text.trim() ? readNumber(draft.text) : null;
  const value = read && 'value' in read ? read.value : null;
  const problem = read && 'problem' in read ? read.problem : undefined;
  const alert = value === null ? null : judgeReading(question, value);
  const written = writeUnit(question.unit);
  return (
    <Column gap="$2">
      <Row gap="$2" alignItems="stretch">
        <Column flex={1}>
          <Input
            label={`${question.label}${written ? `, in ${written}` : ''}`}
            hideLabel
            mono
            kind="decimal"
            value={draft.text}
            onChange={locked ? () => undefined : draft.change}
            onLeave={draft.settle}
            eyes={alert !== null}
            problem={problem}
          />
        </Column>
        {written ? (
          <Column
            minWidth={72}
            height={57}
            paddingHorizontal="$2"
            alignItems="center"
            justifyContent="center"
            borderWidth={1}
            borderColor="$rule"
            borderTopLeftRadius="$sharp"
            borderTopRightRadius="$leaf"
            borderBottomRightRadius="$leaf"
            borderBottomLeftRadius="$leaf"
          >
            <Body strong>{written}</Body>
          </Column>
        ) : null}
      </Row>
      <Past question={question} value={value} />
      {alert ? (
        <Row gap="$2" alignItems="flex-start" role="alert">
          <Column paddingTop={2}>
            <Mark name="needs eyes" silent />
          </Column>
          <Body eyes strong flex={1}>
            {alert.words}.{askedFor(state)}
          </Body>
        </Row>
      ) : null}
    </Column>
  );
}

function askedFor({ asksReason, asksPhoto }: PartProps['state']): string {
  if (asksReason && asksPhoto) return ' A photo and a word, please.';
  if (asksPhoto) return ' A photo, please.';
  return asksReason ? ' A word, please.' : '';
}

/** The last values with the new one, the expected range, and a drift where there is one. */
function Past({ question, value }: { question: NumberQuestion; value: number | null }) {
  const { series } = useSheetSession().context;
  const { organisation } = useMe();
  const earlier = (series.get(question.key) ?? []).slice(-SHOWN);
  const range = question.expected;
  const unit = writeUnit(question.unit);
  const points: SparkPoint[] = earlier.map((point) => ({
    label: sayPast(point.at, organisation.timeZone),
    value: point.value,
    out: judgeReading(question, point.value) !== null,
  }));
  const last = earlier.at(-1);
  if (value !== null)
    points.push({ label: 'now', value, out: judgeReading(question, value) !== null });
  const drift = driftAtEnd(points.map((point) => point.value));
  return (
    <Column gap="$1">
      {points.length > 1 ? (
        <Sparkline
          points={points}
          range={range}
          name={`${question.label}: ${points.map((p) => `${p.label} ${p.value}`).join(', ')}`}
        />
      ) : null}
      <Row gap="$2" flexWrap="wrap">
        {last ? (
          <Body small quiet>
            Last time{' '}
            <Figure small quiet>
              {writeNumber(last.value, question.decimals)} {unit}
            </Figure>
            {range ? '.' : ''}
          </Body>
        ) : null}
        {range ? (
          <Body small quiet>
            Expected {sayRange(range, unit)}.
          </Body>
        ) : null}
        {drift ? (
          <Body small eyes strong>
            {drift.direction === 'rising' ? 'Rising' : 'Falling'} for {drift.readings} visits.
          </Body>
        ) : null}
      </Row>
    </Column>
  );
}
