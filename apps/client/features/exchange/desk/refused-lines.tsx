import { Column } from '@/design/box.tsx';
import { Body } from '@/design/text.tsx';

const SHOWN = 200;

/** Lines of a file that can't be taken in, each with the reason. */
export const RefusedLines = ({
  refused,
}: {
  refused: readonly { readonly line: number; readonly why: string }[];
}) => (
  <Column
    role="list"
    aria-label="Refused lines"
    tabIndex={0}
    maxHeight={180}
    style={{ overflowY: 'auto' }}
    backgroundColor="$clayGround"
    padding="$2"
  >
    {refused.slice(0, SHOWN).map(({ line, why }) => (
      <Body key={line} small role="listitem" eyes>
        Line {line}: {why}
      </Body>
    ))}
    {refused.length > SHOWN ? (
      <Body small eyes>
        And {refused.length - SHOWN} more.
      </Body>
    ) : null}
  </Column>
);
