import { useRef, useState } from 'react';
import { Row, Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { Scanner } from '@/features/codes/field/scanner.tsx';
import { usePhone } from '@/features/sync/phone.tsx';
import { labelOfCode, labelOfNumber, type Label, type ReadLabel } from './label.ts';

export interface LabelReaderProps {
  /** What the label is looked for. */
  readonly title: string;
  /** One that is still before the camera, and was dealt with. */
  readonly except?: string | null;
  readonly onRead: (label: Label) => void;
  readonly onClose: () => void;
}

/** Reads a label through the camera, or by its number where the code is scratched. */
export function LabelReader({ title, except, onRead, onClose }: LabelReaderProps) {
  const { store } = usePhone();
  const [problem, setProblem] = useState<string | null>(null);
  const [number, setNumber] = useState('');
  const [typing, setTyping] = useState(false);
  const taken = useRef(false);
  const take = async (read: Promise<ReadLabel>): Promise<void> => {
    const found = await read;
    if ('problem' in found) return setProblem(found.problem);
    // The camera sees the same label again before this is closed.
    if (taken.current || found.label.id === except) return;
    taken.current = true;
    onRead(found.label);
  };
  return (
    <Scanner
      label={title}
      refused={problem}
      goesOn
      onClose={onClose}
      onRead={({ code }) => void take(labelOfCode(store, code))}
    >
      {typing ? (
        <Row gap="$2" alignItems="flex-end">
          <Column flex={1}>
            <Input
              label="Its number, eight digits"
              autoFocus
              kind="tel"
              value={number}
              onChange={setNumber}
              onEnter={() => void take(labelOfNumber(store, number))}
            />
          </Column>
          <Button onPress={() => take(labelOfNumber(store, number))}>Take it</Button>
        </Row>
      ) : (
        <Button onPress={() => setTyping(true)}>Type its number</Button>
      )}
    </Scanner>
  );
}
