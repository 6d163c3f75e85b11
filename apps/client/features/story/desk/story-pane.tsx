import { Asset } from '@ant-trail/contract/register';
import type { Story } from '@ant-trail/contract/story';
import { writeNumber, writeUnit } from '@ant-trail/core/measure';
import { CONDITION_RULES, CONDITIONS, type Condition } from '@ant-trail/core/register';
import { sayTagNumber } from '@ant-trail/core/tags';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Column, Row, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { Mark } from '@/design/mark.tsx';
import { Pick } from '@/design/pick.tsx';
import { sayPast, sayWhen } from '@/design/say-day.ts';
import { Sparkline } from '@/design/sparkline.tsx';
import { Body, Figure, Heading, Title } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { Picture } from '@/features/media/picture.tsx';
import { linesOf, seriesOf, type StoryLine, type StorySeries } from './story-lines.ts';

/** So many charts are drawn at once; the others are asked for. */
const CHARTS_FIRST = 2;
const POINTS_DRAWN = 24;
const LINES_FIRST = 30;
const PICTURES_SHOWN = 4;

export interface StoryPaneProps {
  readonly story: Story;
  /** What it stands in, the outermost first. */
  readonly way: readonly string[];
  readonly mayKeep: boolean;
  readonly onChanged: () => void;
  /** Part of a page that scrolls as one. */
  readonly inPage?: boolean;
}

/** Everything ever recorded on a thing: how it is, its readings over time, what happened. */
export function StoryPane({ story, way, mayKeep, onChanged, inPage = false }: StoryPaneProps) {
  const { asset, number } = story;
  const series = seriesOf(story);
  const lines = linesOf(story);
  const [allCharts, setAllCharts] = useState(false);
  const [allLines, setAllLines] = useState(false);
  const shownLines = allLines ? lines : lines.slice(0, LINES_FIRST);
  const whole = (
    <Column padding={inPage ? '$4' : '$5'} gap="$5">
      <Column gap="$2">
        <Row justifyContent="space-between" gap="$3" flexWrap="wrap" alignItems="baseline">
          <Title>{asset.name}</Title>
          <Body small quiet>
            {[asset.kind, ...(way.length > 0 ? [`in ${way.join(', ')}`] : [])].join(' · ')}
            {number ? ' · label ' : ''}
            {number ? <Figure small>{sayTagNumber(number)}</Figure> : null}
          </Body>
        </Row>
        {asset.area ? null : (
          <ConditionLine
            key={asset.condition}
            asset={asset}
            mayKeep={mayKeep}
            onChanged={onChanged}
          />
        )}
        {asset.purposes.length > 0 ? <Body small>Serves {asset.purposes.join(', ')}</Body> : null}
      </Column>
      {(allCharts ? series : series.slice(0, CHARTS_FIRST)).map((each) => (
        <SeriesChart key={each.key} series={each} />
      ))}
      {series.length > CHARTS_FIRST ? (
        <Row>
          <Button dense onPress={() => setAllCharts(!allCharts)}>
            {allCharts ? 'Fewer readings' : `${series.length - CHARTS_FIRST} more readings`}
          </Button>
        </Row>
      ) : null}
      <Column gap="$3">
        <Heading>Story</Heading>
        {lines.length === 0 ? <Body quiet>Nothing is recorded of it yet.</Body> : null}
        <Column role="list" aria-label="Story">
          {shownLines.map((line, index) => (
            <Line key={line.id} line={line} isLast={index === shownLines.length - 1} />
          ))}
        </Column>
        {lines.length > LINES_FIRST ? (
          <Row>
            <Button dense onPress={() => setAllLines(!allLines)}>
              {allLines ? 'The newest only' : `${lines.length - LINES_FIRST} older ones`}
            </Button>
          </Row>
        ) : null}
        {story.older ? (
          <Body small quiet>
            Older sheets are in the list of jobs of this place.
          </Body>
        ) : null}
      </Column>
    </Column>
  );
  return inPage ? (
    whole
  ) : (
    <Scroll
      render="main"
      id="main"
      flexGrow={2}
      flexBasis={420}
      backgroundColor="$paper"
      tabIndex={0}
      aria-label={asset.name}
    >
      {whole}
    </Scroll>
  );
}

function ConditionLine({
  asset,
  mayKeep,
  onChanged,
}: {
  asset: Asset;
  mayKeep: boolean;
  onChanged: () => void;
}) {
  const [changing, setChanging] = useState(false);
  const [to, setTo] = useState<Condition>(asset.condition);
  const [note, setNote] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const save = async (): Promise<void> => {
    try {
      await ask(Asset, 'PUT', `/api/assets/${asset.id}`, { condition: to, note });
      onChanged();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  return (
    <Row gap="$3" flexWrap="wrap" alignItems="flex-end">
      <Row gap="$2" minHeight={40}>
        <Mark name={CONDITION_RULES[asset.condition].mark} silent />
        <Body strong>
          {asset.condition === 'unknown' ? 'Nobody has said how it is' : asset.condition}
        </Body>
      </Row>
      {mayKeep && !changing ? (
        <Button dense plain label="Change the condition" onPress={() => setChanging(true)}>
          Change
        </Button>
      ) : null}
      {changing ? (
        <Column width={150}>
          <Pick
            label="How is it?"
            value={to}
            onChange={(value) => setTo(value as Condition)}
            options={CONDITIONS.map((value) => ({ value, label: value }))}
          />
        </Column>
      ) : null}
      {to === asset.condition ? null : (
        <>
          <Column flex={1} minWidth={180}>
            <Input
              label="Why?"
              value={note}
              onChange={setNote}
              problem={problem ?? undefined}
              onEnter={() => void save()}
            />
          </Column>
          <Button dense onPress={save}>
            Say so
          </Button>
        </>
      )}
    </Row>
  );
}

function SeriesChart({ series: { label, unit, points, expected } }: { series: StorySeries }) {
  const { organisation } = useMe();
  const written = writeUnit(unit);
  const last = points.at(-1);
  const range = [
    expected?.low === undefined ? '' : `from ${writeNumber(expected.low)}`,
    expected?.high === undefined ? '' : `up to ${writeNumber(expected.high)}`,
  ].filter(Boolean);
  return (
    <Column gap="$2">
      <Row justifyContent="space-between" gap="$3" alignItems="baseline" flexWrap="wrap">
        <Body strong>{label}</Body>
        <Body small quiet>
          {last ? `now ${writeNumber(last.value)} ${written}` : written}
          {range.length > 0 ? ` · expected ${range.join(' ')}` : ''}
        </Body>
      </Row>
      <Sparkline
        name={`${label} over ${points.length} visits`}
        range={expected}
        height={110}
        points={points.slice(-POINTS_DRAWN).map(({ at, value, out }) => ({
          ...{ value, out, label: sayPast(at, organisation.timeZone) },
        }))}
      />
    </Column>
  );
}

function Line({ line, isLast }: { line: StoryLine; isLast: boolean }) {
  const { organisation } = useMe();
  const people = usePeople();
  const router = useRouter();
  const shown = line.photos.slice(0, PICTURES_SHOWN);
  return (
    <Row role="listitem" alignItems="stretch" gap="$3" minHeight={58}>
      <Column width={104} alignItems="flex-end">
        <Figure small>{sayWhen(line.at, organisation.timeZone)}</Figure>
      </Column>
      <Column width={22} alignItems="center">
        <Mark name={line.mark} size={20} silent />
        {isLast ? null : <Column flex={1} width={0} className="trail-dots" aria-hidden />}
      </Column>
      <Column flex={1} paddingBottom="$3" gap="$1">
        <Row gap="$3" justifyContent="space-between" alignItems="flex-start">
          <Body strong flex={1}>
            {line.words}
          </Body>
          {line.sheet ? (
            <Button
              dense
              plain
              label={`Read ${line.words}`}
              onPress={() => router.navigate(`/review/${line.sheet}`)}
            >
              Read it
            </Button>
          ) : null}
        </Row>
        {line.more.map((words) => (
          <Body key={words} small eyes={line.mark === 'needs eyes'}>
            {words}
          </Body>
        ))}
        {line.by ? (
          <Body small quiet>
            {people.name(line.by)}
          </Body>
        ) : null}
        {shown.length > 0 ? (
          <Row gap="$2" paddingTop="$1">
            {shown.map((sha) => (
              <Column key={sha} width={84} height={64} overflow="hidden" borderRadius={6}>
                <Picture src={`/api/media/${sha}`} alt={`Photo: ${line.words}`} cover />
              </Column>
            ))}
            {line.photos.length > shown.length ? (
              <Body small quiet alignSelf="center">
                and {line.photos.length - shown.length} more
              </Body>
            ) : null}
          </Row>
        ) : null}
      </Column>
    </Row>
  );
}
