import type { Dossier } from '@ant-trail/contract/review';
import { distanceMetres, sayDistance } from '@ant-trail/core/geo';
import { parsePath, type Entry } from '@ant-trail/core/log';
import {
  isHold,
  isPhoto,
  isSignature,
  isSketch,
  sayValue,
  textOf,
  severityWord,
  type Photo,
  type Question,
} from '@ant-trail/core/sheet';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { Column, Row, Scroll } from '@/design/box.tsx';
import { OutsideLink } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Dots } from '@/design/dots.tsx';
import { sayShortDay, sayWhen } from '@/design/say-day.ts';
import { useShortcut } from '@/design/use-shortcut.ts';
import { SignatureDrawing } from '@/design/signature-drawing.tsx';
import { Body, Figure, Heading } from '@/design/text.tsx';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { Picture } from '@/features/media/picture.tsx';
import { Differences } from './differences.tsx';
import type { ReadingState } from './read-dossier.ts';

export interface EvidencePaneProps {
  readonly dossier: Dossier;
  readonly reading: ReadingState;
  readonly chosen: string | null;
  readonly onSettled: () => void;
}

/** What stands behind one answer, beside the sheet. */
export function EvidencePane(props: EvidencePaneProps) {
  const state = props.chosen === null ? undefined : props.reading.questions.get(props.chosen);
  if (!state) return null;
  return (
    <Scroll
      render="aside"
      aria-label="Evidence"
      tabIndex={0}
      flexGrow={1}
      flexShrink={1}
      flexBasis={300}
      maxWidth={400}
      borderLeftWidth={1}
      borderColor="$rule"
    >
      <Column padding="$4" gap="$3">
        <Heading>{state.question.label}</Heading>
        <Evidence {...props} />
      </Column>
    </Scroll>
  );
}

/** Photos, signature, the whole history of an answer, and what is done about it. */
export function Evidence({ dossier, reading, chosen, onSettled }: EvidencePaneProps) {
  const { organisation } = useMe();
  const people = usePeople();
  const [zoomed, setZoomed] = useState<Photo | null>(null);
  const state = chosen === null ? undefined : reading.questions.get(chosen);
  const [first] = state?.photos ?? [];
  useShortcut('space', () => first && setZoomed(first), first !== undefined);
  if (!state) return null;
  const { question, photos, answer } = state;
  const [finding] = state.findings;
  const actions = dossier.actions.filter((action) => action.key === state.path);
  const when = (instant: string): string => sayWhen(instant, organisation.timeZone);
  return (
    <>
      <Column gap="$3">
        <Differences state={state} dossier={dossier} reading={reading} onSettled={onSettled} />
        {photos.map((photo) => (
          <Column key={photo.path} gap="$1">
            <View
              render="button"
              aria-label={`Enlarge the photo: ${photo.value.comment || 'no comment'}`}
              height={220}
              overflow="hidden"
              borderTopLeftRadius="$sharp"
              borderTopRightRadius="$leaf"
              borderBottomRightRadius="$leaf"
              borderBottomLeftRadius="$leaf"
              onPress={() => setZoomed(photo)}
            >
              <Picture
                src={`/api/media/${photo.value.sha256}`}
                alt={photo.value.comment || question.label}
                marks={photo.value}
                cover
              />
            </View>
            <Body tiny quiet>
              {photo.value.comment ? `“${photo.value.comment}” ` : ''}
              {when(photo.value.takenAt)}
              {photo.value.place
                ? `, ${sayDistance(distanceMetres(dossier.site, photo.value.place))} from the place`
                : ''}
              {dossier.receivedAt[photo.value.sha256] ? '' : ' · has not arrived yet'}
            </Body>
          </Column>
        ))}
        {state.files.map((file) => (
          <OutsideLink key={file.path} href={`/api/media/${file.value.sha256}`}>
            {file.value.comment || file.value.name}
          </OutsideLink>
        ))}
        {(isSignature(answer?.value) || isHold(answer?.value)) &&
        answer.value.strokes.length > 0 ? (
          <SignatureDrawing value={answer.value} height={120} />
        ) : null}
        {isSketch(answer?.value) && question.kind === 'sketch' ? (
          <>
            <img
              alt={`Sketch: ${question.label}`}
              style={{ width: '100%', background: '#fffcf5' }}
              src={sketchAddress(dossier.sheet.id, state.path, answer.entry.id)}
            />
            <OutsideLink href={sketchAddress(dossier.sheet.id, state.path, answer.entry.id)}>
              Save the sketch as SVG
            </OutsideLink>
          </>
        ) : null}
        <Dots />
        <Heading fontSize="$3">What happened to this answer</Heading>
        {state.history.length === 0 ? (
          <Body small quiet>
            Nothing yet.
          </Body>
        ) : null}
        {state.history.map((entry) => (
          <Row key={entry.id} gap="$2" alignItems="flex-start">
            <Figure tiny>{when(entry.at)}</Figure>
            <Body tiny flex={1}>
              {people.name(entry.by)}: {sayEntry(entry, question)}
            </Body>
          </Row>
        ))}
        <Received entries={state.history} dossier={dossier} when={when} />
        {finding ? (
          <>
            <Dots />
            <Heading fontSize="$3">
              {actions.length > 0
                ? 'Corrective action'
                : 'Corrective action, proposed by the template'}
            </Heading>
            {actions.map((action) => (
              <Body key={action.id} small>
                {action.title} · {action.state} · {people.name(action.owner)}, due{' '}
                {sayShortDay(action.dueOn)}
              </Body>
            ))}
            {actions.length === 0 ? (
              <Body small>
                {finding.proposedAction ?? 'None.'} · {severityWord(finding.severity)}
              </Body>
            ) : null}
          </>
        ) : null}
      </Column>
      {zoomed ? (
        <Dialog
          title={zoomed.value.comment || question.label}
          onClose={() => setZoomed(null)}
          width={1100}
        >
          <View height="72vh">
            <Picture
              src={`/api/media/${zoomed.value.sha256}`}
              alt={zoomed.value.comment || question.label}
              marks={zoomed.value}
            />
          </View>
        </Dialog>
      ) : null}
    </>
  );
}

/** The office draws it, with the picture underneath; the entry tells one state of it from the next. */
const sketchAddress = (sheet: string, path: string, entry: string): string =>
  `/api/sheets/${sheet}/sketch.svg?${new URLSearchParams({ path, of: entry })}`;

function Received(props: {
  entries: readonly Entry[];
  dossier: Dossier;
  when: (instant: string) => string;
}) {
  const { entries, dossier, when } = props;
  const last = entries
    .map((entry) => dossier.receivedAt[entry.id])
    .filter((at) => at !== undefined)
    .at(-1);
  if (!last) return null;
  return (
    <Row gap="$2" alignItems="flex-start">
      <Figure tiny>{when(last)}</Figure>
      <Body tiny quiet flex={1}>
        received by the office
      </Body>
    </Row>
  );
}

function sayEntry(entry: Entry, question: Question): string {
  const { kind, value, reason } = entry;
  const aspect = parsePath(entry.path)?.aspect;
  if (kind === 'clear') {
    const what = aspect === 'photo' ? 'removed a photo' : 'took the answer away';
    return reason ? `${what}: ${reason}` : what;
  }
  if (value === null) return kind === 'prepare' ? 'took back what was filled in' : kind;
  if (aspect === 'reason') return `“${textOf(value)}”`;
  if (isPhoto(value)) return value.comment ? `photo, “${value.comment}”` : 'photo';
  const said = sayValue(question, value, entry.unit, sayShortDay);
  if (kind === 'prepare') return `${said}, filled in beforehand`;
  return kind === 'correct' ? `corrected to ${said}: ${reason ?? ''}` : said;
}
