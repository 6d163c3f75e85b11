import { isAsked, isReading, sayState, type QuestionState } from '@ant-trail/core/sheet';
import { useEffect, useRef, type ReactNode } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Mark } from '@/design/mark.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { sayShortDay } from '@/design/say-day.ts';
import { Body, Figure } from '@/design/text.tsx';
import { doubtIn, isBeyond, type Place } from './places.ts';

interface WayValuesProps {
  readonly place: Place;
  readonly here: string;
  /** What stands where the value of the one that is being entered would. */
  readonly entering: ReactNode;
  readonly onGo: (key: string) => void;
}

/** Everything about one way, a line each; what is worked out from it stands among it. */
export function WayValues({ place, here, entering, onGo }: WayValuesProps) {
  return (
    <Column
      role="list"
      aria-label={`Values of ${place.isBoard ? place.name : `way ${place.name}`}`}
    >
      {place.questions.map((state) => (
        <Value
          key={state.path}
          state={state}
          isHere={state.question.key === here}
          entering={entering}
          onPress={() => onGo(state.question.key)}
        />
      ))}
    </Column>
  );
}

interface ValueProps {
  readonly state: QuestionState;
  readonly isHere: boolean;
  readonly entering: ReactNode;
  readonly onPress: () => void;
}

function Value({ state, isHere, entering, onPress }: ValueProps) {
  const line = useRef<HTMLElement>(null);
  useEffect(() => {
    if (isHere) line.current?.scrollIntoView({ block: 'nearest' });
  }, [isHere]);
  const { question, answer, calculated, closedOut } = state;
  const said = answer !== null || calculated !== null || closedOut !== null;
  const beyond = isBeyond(state);
  const doubtful = doubtIn(state) !== undefined;
  const words = said ? (closedOut ? 'left out' : sayState(state, sayShortDay)) : '–';
  const Words = isReading(question) ? Figure : Body;
  const inside = (
    <Row gap="$2" alignSelf="stretch" justifyContent="space-between" minHeight={26}>
      <Body small quiet={!isHere} strong={isHere} flexShrink={1}>
        {question.label}
      </Body>
      {isHere && entering ? (
        entering
      ) : (
        <Row gap="$1" flexShrink={1}>
          {beyond || doubtful ? <Mark name={beyond ? 'needs eyes' : 'differs'} size={15} /> : null}
          <Words small strong={said} eyes={beyond} quiet={!said} textAlign="right">
            {words}
          </Words>
        </Row>
      )}
    </Row>
  );
  const frame = {
    paddingHorizontal: '$3',
    paddingVertical: '$2',
    borderBottomWidth: 1,
    borderColor: '$rule',
  } as const;
  return (
    <Column role="listitem" ref={line as never}>
      {!isAsked(question) ? (
        <Column {...frame}>{inside}</Column>
      ) : isHere ? (
        <Column
          {...frame}
          borderWidth={3}
          borderColor="$lake"
          backgroundColor="$sheet"
          borderTopLeftRadius="$sharp"
          borderTopRightRadius="$leaf"
          borderBottomRightRadius="$leaf"
          borderBottomLeftRadius="$leaf"
        >
          {inside}
        </Column>
      ) : (
        <PressableRow {...frame} className="ring-inside" minHeight={44} onPress={onPress}>
          {inside}
        </PressableRow>
      )}
    </Column>
  );
}
