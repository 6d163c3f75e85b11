import type { SectionState } from '@ant-trail/core/sheet';
import { Column, Scroll } from '@/design/box.tsx';
import { Mark } from '@/design/mark.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { Body } from '@/design/text.tsx';
import { markForSection, type SectionTrailProps } from './section-trail.tsx';

/** The sections by name beside the questions, where the screen has the room. */
export function SectionList({ sections, here, onGo }: SectionTrailProps) {
  return (
    <Scroll
      render="nav"
      aria-label="Sections"
      flex={0}
      width={232}
      flexShrink={0}
      borderRightWidth={1}
      borderColor="$rule"
      paddingVertical="$2"
    >
      {sections.map((state) => (
        <SectionLine
          key={state.section.id}
          state={state}
          isHere={state.section.id === here}
          onGo={onGo}
        />
      ))}
    </Scroll>
  );
}

interface SectionLineProps {
  readonly state: SectionState;
  readonly isHere: boolean;
  readonly onGo: (section: string) => void;
}

function SectionLine({ state, isHere, onGo }: SectionLineProps) {
  const { section, answered, asked, looseEnds } = state;
  return (
    <PressableRow
      flexDirection="row"
      alignItems="flex-start"
      gap="$2"
      paddingVertical="$2"
      paddingHorizontal="$3"
      onPress={() => onGo(section.id)}
      aria-current={isHere ? 'step' : undefined}
      borderLeftWidth={4}
      borderColor={isHere ? '$trail' : 'transparent'}
    >
      <Column paddingTop={2}>
        <Mark silent name={markForSection(state, isHere)} size={18} />
      </Column>
      <Column flex={1} minWidth={0}>
        <Body strong={isHere}>{section.title}</Body>
        <Body small quiet>
          {answered} of {asked}
          {looseEnds.length === 0 ? ', complete' : ''}
        </Body>
      </Column>
    </PressableRow>
  );
}
