import { MessageSaid } from '@ant-trail/contract/messages';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';

export interface WriteLineProps {
  readonly label: string;
  readonly button: string;
  /** Sends it; gives what to say where that failed. */
  readonly onSend: (text: string) => Promise<string | null>;
}

/** Writes a message. What could not be sent stays. */
export function WriteLine({ label, button, onSend }: WriteLineProps) {
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const send = async (): Promise<void> => {
    const read = MessageSaid.shape.text.safeParse(text);
    if (!read.success) {
      setProblem(read.error.issues[0]?.message ?? '');
      return;
    }
    const refused = await onSend(read.data);
    setProblem(refused);
    if (refused === null) setText('');
  };
  return (
    <Column gap="$2">
      <Input
        label={label}
        value={text}
        onChange={setText}
        lines={2}
        problem={problem ?? undefined}
      />
      <Row>
        <Button main grow onPress={send}>
          {button}
        </Button>
      </Row>
    </Column>
  );
}
