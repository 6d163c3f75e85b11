import type { ReactNode } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Mark, type MarkName } from '@/design/mark.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { Body } from '@/design/text.tsx';

interface GlanceLineProps {
  readonly mark: MarkName;
  readonly name: string;
  /** What is known of it; empty for nothing. */
  readonly about: string;
  /** What it came to, at the end of the line. */
  readonly figure?: ReactNode;
  readonly onOpen: () => void;
  /** What can be done with it without opening it. */
  readonly children?: ReactNode;
}

/** One row of a list at a glance: opened for all that is asked of it, or dealt with as it stands. */
export function GlanceLine({ mark, name, about, figure, onOpen, children }: GlanceLineProps) {
  return (
    <Row
      className="to-hand"
      role="listitem"
      gap="$2"
      borderBottomWidth={1}
      borderColor="$rule"
      paddingVertical="$1"
    >
      <PressableRow flex={1} className="ring-inside" justifyContent="center" onPress={onOpen}>
        <Row gap="$3" alignSelf="stretch">
          <Mark name={mark} size={18} />
          <Column flex={1}>
            <Body strong numberOfLines={1}>
              {name}
            </Body>
            {about ? (
              <Body tiny quiet>
                {about}
              </Body>
            ) : null}
          </Column>
          {figure}
        </Row>
      </PressableRow>
      {children}
    </Row>
  );
}
