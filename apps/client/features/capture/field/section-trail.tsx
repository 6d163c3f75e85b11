import { styled, useTheme, View } from '@tamagui/core';
import type { SectionState } from '@ant-trail/core/sheet';
import { Row } from '@/design/box.tsx';
import { Mark, type MarkName } from '@/design/mark.tsx';

const Dot = styled(View, {
  render: 'button',
  width: 48,
  height: 48,
  alignItems: 'center',
  justifyContent: 'center',
  cursor: 'pointer',
});

export interface SectionTrailProps {
  readonly sections: readonly SectionState[];
  readonly here: string;
  readonly onGo: (section: string) => void;
}

export function markForSection(state: SectionState, isHere: boolean): MarkName {
  if (isHere) return 'next';
  if (state.looseEnds.length === 0) return 'finished';
  return state.answered > 0 ? 'under way' : 'planned';
}

/** The sections of a sheet as a small trail: walked, here, ahead. */
export function SectionTrail({ sections, here, onGo }: SectionTrailProps) {
  const theme = useTheme();
  return (
    <Row render="nav" aria-label="Sections" marginHorizontal={-12}>
      {sections.map((state, index) => {
        const done = state.looseEnds.length === 0;
        const isHere = state.section.id === here;
        return (
          <Row key={state.section.id} flexGrow={index === 0 ? 0 : 1}>
            {index === 0 ? null : (
              <div
                aria-hidden
                style={{
                  flex: 1,
                  margin: '0 -10px',
                  borderTop: `5px dotted ${done ? theme.ink.get() : theme.sand.get()}`,
                }}
              />
            )}
            <Dot
              onPress={() => onGo(state.section.id)}
              aria-label={`${state.section.title}, ${done ? 'complete' : `${state.answered} of ${state.asked} answered`}`}
              aria-current={isHere ? 'step' : undefined}
            >
              <Mark silent size={isHere ? 24 : 18} name={markForSection(state, isHere)} />
            </Dot>
          </Row>
        );
      })}
    </Row>
  );
}
