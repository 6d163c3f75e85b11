import { COVER_PATH, type Shape } from '@ant-trail/core/log';
import type { Photo, QuestionState } from '@ant-trail/core/sheet';
import { View } from '@tamagui/core';
import { useRef, useState, type ReactNode } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Body } from '@/design/text.tsx';
import { Tick } from '@/design/tick.tsx';
import { KeptPicture } from '@/features/media/kept-picture.tsx';
import { useSheetSession, useSheetState } from '../session/sheet-context.tsx';
import { DraftInput } from './draft-input.tsx';
import { Drawing } from './drawing.tsx';

export interface PhotoStripProps {
  readonly state: QuestionState;
  readonly locked: boolean;
  /** What else can be done with the question, in the same line. */
  readonly beside?: ReactNode;
}

/** The photos of a question, each with its comment, and the way to add one. */
export function PhotoStrip({ state, locked, beside }: PhotoStripProps) {
  const session = useSheetSession();
  const picker = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [opened, setOpened] = useState<string | null>(null);
  const { label } = state.question;
  const { path: key } = state;
  const wanted = state.looseEnds.some((end) => end.missing === 'photo');
  const take = async (files: FileList | null) => {
    setBusy(true);
    const troubles: string[] = [];
    for (const file of files ?? []) {
      const trouble = await session.addPhoto(key, file);
      // One that can't be kept is named: the good ones beside it must not hide it.
      if (trouble) troubles.push(files?.length === 1 ? trouble : `${file.name}: ${trouble}`);
    }
    setProblem(troubles.length > 0 ? troubles.join(' ') : null);
    setBusy(false);
    if (picker.current) picker.current.value = '';
  };
  const photo = state.photos.find((each) => each.path === opened);
  return (
    <Column gap="$2">
      <Row gap="$2" flexWrap="wrap">
        {state.photos.map((each) => (
          <Thumb key={each.path} photo={each} onPress={() => setOpened(each.path)} />
        ))}
        {locked ? null : (
          <>
            <input
              ref={picker}
              type="file"
              accept="image/*"
              multiple
              hidden
              aria-label={`Photo for ${label}`}
              data-photo-for={key}
              onChange={(event) => void take(event.target.files)}
            />
            <Button
              dense={!wanted}
              onPress={() => picker.current?.click()}
              disabled={busy}
              label={`Add a photo to ${label}`}
            >
              {busy ? 'Keeping it …' : 'Add a photo'}
            </Button>
          </>
        )}
        {beside}
      </Row>
      {problem ? (
        <Body small eyes role="alert">
          {problem}
        </Body>
      ) : null}
      {photo ? <PhotoDialog photo={photo} locked={locked} onClose={() => setOpened(null)} /> : null}
    </Column>
  );
}

function Thumb({ photo, onPress }: { photo: Photo; onPress: () => void }) {
  return (
    <View
      render="button"
      width={84}
      height={84}
      overflow="hidden"
      cursor="pointer"
      borderTopLeftRadius="$sharp"
      borderTopRightRadius="$leaf"
      borderBottomRightRadius="$leaf"
      borderBottomLeftRadius="$leaf"
      onPress={onPress}
      aria-label={`Photo: ${photo.value.comment || 'no comment yet'}`}
    >
      <KeptPicture sha256={photo.value.sha256} alt="" cover marks={photo.value} />
    </View>
  );
}

interface PhotoDialogProps {
  readonly photo: Photo;
  readonly locked: boolean;
  readonly onClose: () => void;
}

function PhotoDialog({ photo, locked, onClose }: PhotoDialogProps) {
  const session = useSheetSession();
  const { cover } = useSheetState();
  const { width, height } = photo.value;
  const [marking, setMarking] = useState(false);
  const removed = useRef(false);
  const comment = (words: string): Promise<string | null> =>
    removed.current
      ? Promise.resolve(null)
      : session.write(photo.path, 'answer', { ...photo.value, comment: words.trim() });
  const mark = (marks: readonly Shape[]): void => {
    void session.write(photo.path, 'answer', { ...photo.value, marks });
  };
  return (
    <Dialog title="Photo" onClose={onClose} easy>
      {marking ? (
        <Drawing
          name="Photo"
          first="arrow"
          height={height / width}
          shapes={photo.value.marks ?? []}
          onChange={mark}
          under={<KeptPicture sha256={photo.value.sha256} alt="" cover />}
        />
      ) : (
        <View height={280} overflow="hidden">
          <KeptPicture
            sha256={photo.value.sha256}
            alt={photo.value.comment || 'Photo'}
            marks={photo.value}
          />
        </View>
      )}
      {locked ? (
        <Body>{photo.value.comment || 'No comment.'}</Body>
      ) : (
        <>
          <Row>
            <Button dense onPress={() => setMarking(!marking)}>
              {marking ? 'Done drawing' : 'Draw on it'}
            </Button>
          </Row>
          <DraftInput label="Comment" kept={photo.value.comment} keep={comment} locked={false} />
          <Tick
            label="On the report’s cover"
            on={cover === photo.path}
            onPress={() =>
              void session.write(
                COVER_PATH,
                cover === photo.path ? 'clear' : 'answer',
                cover === photo.path ? null : photo.path,
              )
            }
          />
          <Row gap="$2">
            <Button
              grow
              onPress={() => {
                removed.current = true;
                void session.removePhoto(photo);
                onClose();
              }}
            >
              Remove
            </Button>
            <Button grow main onPress={onClose}>
              Keep
            </Button>
          </Row>
        </>
      )}
    </Dialog>
  );
}
