import { judgeRange, sayRange, writeNumber, writeUnit } from '@ant-trail/core/measure';
import { Column, Row, Rule } from '@/design/box.tsx';
import { sayPast } from '@/design/say-day.ts';
import { Sparkline } from '@/design/sparkline.tsx';
import { Body, Figure, Heading } from '@/design/text.tsx';
import type { ReadingsOfThing } from './readings-of-thing.ts';

/** What was read at a thing before, each question as a line with what is expected. */
export function ReadingsHere({
  readings,
  timeZone,
}: {
  readings: readonly ReadingsOfThing[];
  timeZone: string;
}) {
  if (readings.length === 0) return null;
  return (
    <>
      <Rule />
      <Column padding="$4" gap="$3">
        <Heading>What it showed before</Heading>
        {readings.map((each) => (
          <OneReading key={each.id} reading={each} timeZone={timeZone} />
        ))}
      </Column>
    </>
  );
}

function OneReading({ reading, timeZone }: { reading: ReadingsOfThing; timeZone: string }) {
  const { label, unit, expected, points } = reading;
  const last = points.at(-1);
  if (!last) return null;
  const drawn = points.map(({ at, value }) => ({
    label: sayPast(at, timeZone),
    value,
    out: expected !== null && judgeRange(value, expected) !== 'within',
  }));
  const out = drawn.at(-1)?.out === true;
  return (
    <Column gap="$1">
      <Row gap="$3" justifyContent="space-between" alignItems="baseline">
        <Body flex={1}>{label}</Body>
        <Figure strong>
          {writeNumber(last.value)} {writeUnit(unit)}
        </Figure>
      </Row>
      {drawn.length > 1 ? (
        <Sparkline
          points={drawn}
          range={expected ?? undefined}
          name={`${label}: ${drawn.map((p) => `${p.label} ${p.value}`).join(', ')}`}
        />
      ) : null}
      <Body small quiet={!out} eyes={out}>
        {[
          `Last ${sayPast(last.at, timeZone)}`,
          ...(expected ? [`expected ${sayRange(expected, writeUnit(unit))}`] : []),
        ].join(', ')}
      </Body>
    </Column>
  );
}
