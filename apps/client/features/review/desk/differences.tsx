import type { Dossier } from '@ant-trail/contract/review';
import { may } from '@ant-trail/core/accounts';
import { PROGRAMME_PATH } from '@ant-trail/core/log';
import {
  differencesIn,
  programmeDifference,
  saySide,
  type Difference,
  type Side,
} from '@ant-trail/core/review';
import { isPhoto, sayValue, textOf, type QuestionState } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Mark } from '@/design/mark.tsx';
import { sayShortDay, sayWhen } from '@/design/say-day.ts';
import { Body, Figure, Heading } from '@/design/text.tsx';
import { wordsFor } from '@/device/api.ts';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { Picture } from '@/features/media/picture.tsx';
import { DeskRefusal, writeFromDesk } from '@/features/capture/desk/desk-entries.ts';
import type { ReadingState } from './read-dossier.ts';

interface DifferencesProps {
  readonly dossier: Dossier;
  readonly reading: ReadingState;
  readonly onSettled: () => void;
}

/** What people differ about in one question, side by side, each to be let stand by one press. */
export function Differences({
  state,
  ...props
}: DifferencesProps & { readonly state: QuestionState }) {
  const differences = differencesIn(props.dossier.version.body, state);
  return (
    <>
      {differences.map((difference) => (
        <OneDifference
          key={difference.path}
          difference={difference}
          say={(side) => sayAnswerOf(side, state)}
          {...props}
        />
      ))}
    </>
  );
}

/** Two people began the sheet for two programmes. */
export function ProgrammeDifference(props: DifferencesProps) {
  const { body } = props.dossier.version;
  const difference = programmeDifference(body, props.reading.state, PROGRAMME_PATH);
  if (!difference) return null;
  const nameOf = (side: Side): string =>
    body.programmes?.find(({ key }) => key === side.value)?.name ?? 'No programme';
  return <OneDifference difference={difference} say={nameOf} {...props} />;
}

interface OneProps extends DifferencesProps {
  readonly difference: Difference;
  readonly say: (side: Side) => string;
}

function OneDifference({ difference, say, dossier, reading, onSettled }: OneProps) {
  const { person, organisation } = useMe();
  const people = usePeople();
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const { path, title, sides } = difference;
  const settles = may(person.roles, 'review');
  const letStand = async (side: Side): Promise<void> => {
    setBusy(true);
    setProblem(null);
    try {
      await writeFromDesk({
        sheet: dossier.sheet.id,
        path,
        kind: side.kind,
        value: side.value,
        ...(side.unit === undefined ? {} : { unit: side.unit }),
        reason: `Two answers differed; this one of ${people.name(side.entry.by)} stands.`,
        seen: reading.open.headsOf(path),
        by: person.id,
      });
      onSettled();
    } catch (error) {
      setProblem(error instanceof DeskRefusal ? error.message : wordsFor(error));
      setBusy(false);
    }
  };
  return (
    <Column role="group" aria-label={`They differ: ${title}`} gap="$2">
      <Row gap="$2">
        <Mark name="differs" size={16} />
        <Heading fontSize="$3">{title}</Heading>
      </Row>
      {sides.map((side) => (
        <Column
          key={`${side.entry.id} ${side.words ?? ''}`}
          gap="$1"
          padding="$2"
          borderLeftWidth={4}
          borderColor="$lake"
          backgroundColor="$lakeGround"
        >
          {isPhoto(side.value) ? (
            <Picture
              src={`/api/media/${side.value.sha256}`}
              alt={side.value.comment || title}
              marks={side.value}
            />
          ) : null}
          <Body strong>{say(side)}</Body>
          <Row gap="$2">
            <Figure tiny>{sayWhen(side.entry.at, organisation.timeZone)}</Figure>
            <Body tiny quiet flex={1}>
              {people.name(side.entry.by)}
            </Body>
          </Row>
          {settles ? (
            <Button dense onPress={() => letStand(side)} disabled={busy}>
              Let this stand
            </Button>
          ) : null}
        </Column>
      ))}
      {problem ? (
        <Body small eyes strong role="alert">
          {problem}
        </Body>
      ) : null}
    </Column>
  );
}

function sayAnswerOf(side: Side, { question }: QuestionState): string {
  const said = saySide(side);
  if (said !== null || side.value === null) return said ?? '';
  if (isPhoto(side.value)) return side.value.comment || 'Photo without a comment';
  const aside = side.entry.path.endsWith('~reason');
  return aside ? textOf(side.value) : sayValue(question, side.value, side.unit, sayShortDay);
}
