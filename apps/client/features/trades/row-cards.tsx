import type { ReactNode } from 'react';
import { Column, Leaf, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body } from '@/design/text.tsx';

interface RowCardsProps {
  readonly label: string;
  readonly trouble: string | null;
  /** What the button for another says; null where there may be none. */
  readonly another: string | null;
  readonly onAdd: () => Promise<void>;
  readonly children: ReactNode;
}

/** Rows that open a screen of their own, a card for each, and the way to another. */
export function RowCards({ label, trouble, another, onAdd, children }: RowCardsProps) {
  return (
    <>
      <Column role="list" aria-label={`${label} at a glance`} gap="$3">
        {children}
      </Column>
      {trouble ? (
        <Body eyes strong role="alert">
          {trouble}
        </Body>
      ) : null}
      {another === null ? null : (
        <Row>
          <Button onPress={onAdd}>{another}</Button>
        </Row>
      )}
    </>
  );
}

interface RowCardProps {
  readonly name: string;
  readonly words: string;
  readonly onOpen: () => void;
  readonly children?: ReactNode;
}

/** One of them: its name, some words, what it looks like, and the way in. */
export function RowCard({ name, words, onOpen, children }: RowCardProps) {
  return (
    <Leaf role="listitem" padding="$3" gap="$3" flexDirection="column">
      <Row className="to-hand" justifyContent="space-between" gap="$3">
        <Column flex={1}>
          <Body strong>{name}</Body>
          {words ? (
            <Body small quiet>
              {words}
            </Body>
          ) : null}
        </Column>
        <Button dense onPress={onOpen} label={`Open ${name}`}>
          Open
        </Button>
      </Row>
      {children}
    </Leaf>
  );
}
