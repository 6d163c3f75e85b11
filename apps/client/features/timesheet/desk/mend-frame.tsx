import type { ReactNode } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { Body } from '@/design/text.tsx';

export interface MendFrameProps {
  readonly label: string;
  /** What is put right. */
  readonly children: ReactNode;
  readonly reason: string;
  readonly onReason: (reason: string) => void;
  readonly problem: string | null;
  readonly onKeep: () => unknown;
  /** Where it can be struck out. */
  readonly onStrike?: (() => unknown) | undefined;
  readonly onLeave: () => void;
}

/** Something of somebody’s hours is put right at the desk, and why. */
export function MendFrame(props: MendFrameProps) {
  const { label, children, reason, onReason, problem, onKeep, onStrike, onLeave } = props;
  return (
    <Column gap="$3" role="group" aria-label={label}>
      <Row gap="$3" alignItems="flex-end">
        {children}
      </Row>
      <Input label="Why" value={reason} onChange={onReason} lines={2} />
      {problem ? (
        <Body small eyes role="alert">
          {problem}
        </Body>
      ) : null}
      <Row gap="$2" flexWrap="wrap">
        <Button main onPress={onKeep}>
          Keep it
        </Button>
        {onStrike ? <Button onPress={onStrike}>Strike it out</Button> : null}
        <Button plain onPress={onLeave}>
          Leave it
        </Button>
      </Row>
    </Column>
  );
}
