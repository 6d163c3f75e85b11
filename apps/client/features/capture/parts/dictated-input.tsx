import { useEffect, useRef, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { Body } from '@/design/text.tsx';
import { canDictate, dictate, type Dictation } from '@/device/dictate.ts';
import type { DraftInputProps } from './draft-input.tsx';
import { useDraft } from './use-draft.ts';

/** A field for words that can be typed or spoken; what was heard stands in the field to be mended. */
export function DictatedInput({ kept, keep, locked, problem, path, ...field }: DraftInputProps) {
  const draft = useDraft(kept, keep, path === undefined ? {} : { path });
  const [running, setRunning] = useState<Dictation | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const before = useRef('');
  useEffect(() => () => running?.stop(), [running]);
  const begin = (): void => {
    before.current = draft.text.trim();
    setTrouble(null);
    setRunning(
      dictate(
        (words) => draft.change([before.current, words].filter(Boolean).join(' ')),
        (why) => {
          setRunning(null);
          setTrouble(why);
          draft.settle();
        },
      ),
    );
  };
  return (
    <Column gap="$1">
      <Input
        {...field}
        problem={draft.refused ?? problem}
        value={draft.text}
        onChange={locked ? () => undefined : draft.change}
        onLeave={draft.settle}
      />
      {locked || !canDictate() ? null : (
        <Row gap="$3">
          <Button
            dense
            plain
            onPress={() => (running ? running.stop() : begin())}
            label={running ? `Stop dictating ${field.label}` : `Dictate ${field.label}`}
          >
            {running ? 'Stop listening' : 'Dictate'}
          </Button>
          {running ? (
            <Body small quiet role="status">
              Listening …
            </Body>
          ) : null}
        </Row>
      )}
      {trouble ? (
        <Body small eyes role="alert">
          {trouble}
        </Body>
      ) : null}
    </Column>
  );
}
