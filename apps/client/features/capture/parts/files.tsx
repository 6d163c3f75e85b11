import { LONGEST_RECORDING, type KeptFile, type QuestionState } from '@ant-trail/core/sheet';
import { useRef, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body } from '@/design/text.tsx';
import { measureLength, record, type Recording } from '@/device/record.ts';
import { useSheetSession, type PartProps } from '../session/sheet-context.tsx';
import { DraftInput } from './draft-input.tsx';

const ACCEPT = { video: 'video/*', voice: 'audio/*', file: 'application/pdf' } as const;
const WORD = { video: 'video', voice: 'voice note', file: 'file' } as const;
type FileKind = keyof typeof ACCEPT;

const isFileKind = (kind: QuestionState['question']['kind']): kind is FileKind => kind in ACCEPT;

/** Recordings and files of a question, each with its comment; recorded here or from the library. */
export function FilesPart({ state, locked }: PartProps) {
  const session = useSheetSession();
  const picker = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [running, setRunning] = useState<Recording | null>(null);
  const { question, path } = state;
  if (!isFileKind(question.kind)) return null;
  const kind = question.kind;
  const longest =
    kind === 'file'
      ? 0
      : (('longest' in question ? question.longest : undefined) ?? LONGEST_RECORDING[kind]);
  const keep = async (file: File) => {
    const seconds = kind === 'file' ? undefined : await measureLength(file);
    if (seconds !== undefined && seconds > longest + 1)
      return setProblem(`This is longer than ${longest} seconds. Record a shorter one.`);
    setProblem(await session.addFile(path, file, seconds));
  };
  const begin = async () => {
    const begun = await record(kind === 'video' ? 'video' : 'audio', longest, (file) => {
      setRunning(null);
      void keep(file);
    });
    if ('problem' in begun) setProblem(begun.problem);
    else setRunning(begun);
  };
  return (
    <Column gap="$2">
      {state.files.map((file) => (
        <FileLine key={file.path} file={file} locked={locked} />
      ))}
      {locked ? null : (
        <Row gap="$2" flexWrap="wrap">
          <input
            ref={picker}
            type="file"
            accept={ACCEPT[kind]}
            hidden
            aria-label={`${WORD[kind]} for ${question.label}`}
            onChange={(event) => {
              const [file] = event.target.files ?? [];
              if (file) void keep(file);
              event.target.value = '';
            }}
          />
          {kind === 'file' ? null : running ? (
            <Button main dense onPress={() => running.stop()}>
              Stop recording
            </Button>
          ) : (
            <Button dense onPress={() => begin()}>
              Record a {WORD[kind]}
            </Button>
          )}
          <Button dense onPress={() => picker.current?.click()}>
            {kind === 'file' ? 'Add a file' : 'From the phone'}
          </Button>
        </Row>
      )}
      {longest > 0 && !locked ? (
        <Body small quiet>
          Up to {longest} seconds.
        </Body>
      ) : null}
      {problem ? (
        <Body small eyes role="alert">
          {problem}
        </Body>
      ) : null}
    </Column>
  );
}

function FileLine({ file, locked }: { file: KeptFile; locked: boolean }) {
  const session = useSheetSession();
  const { value, path } = file;
  const size = `${Math.max(1, Math.round(value.bytes / 1000))} kB`;
  return (
    <Column gap="$1" borderLeftWidth={3} borderColor="$sand" paddingLeft="$3">
      <Row className="to-hand" justifyContent="space-between" gap="$2">
        <Body small strong flex={1} numberOfLines={1}>
          {value.name}
        </Body>
        <Body small quiet>
          {value.seconds === undefined ? size : `${Math.round(value.seconds)} s`}
        </Body>
        {locked ? null : (
          <Button
            dense
            plain
            onPress={() => session.write(path, 'clear', null)}
            label={`Remove ${value.name}`}
          >
            Remove
          </Button>
        )}
      </Row>
      <DraftInput
        label="Comment"
        locked={locked}
        kept={value.comment}
        keep={(comment) => session.write(path, 'answer', { ...value, comment })}
      />
    </Column>
  );
}
