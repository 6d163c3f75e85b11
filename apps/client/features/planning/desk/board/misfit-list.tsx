import type { BoardStop } from '@ant-trail/contract/planning/desk';
import { sayMinute } from '@ant-trail/core/calendar';
import { makeRoom } from '@ant-trail/core/planning/board';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { Body, Heading } from '@/design/text.tsx';
import { boardVisit, placingOf, type BoardWaysKnown, type Lane } from './board-stops.ts';
import { sayMisfit } from './board-words.ts';
import { lookAtStop } from './in-hand.ts';
import { takeStep } from './plan-steps.ts';

/** So many are told at once. */
const MOST_TOLD = 12;

export interface MisfitListProps {
  readonly lanes: readonly Lane[];
  readonly way: BoardWaysKnown;
  readonly mayPlan: boolean;
}

/** What of the day can't be walked as it is planned, person by person. */
export function MisfitList({ lanes, way, mayPlan }: MisfitListProps) {
  const troubled = lanes.filter(({ misfits }) => misfits.length > 0);
  if (troubled.length === 0) return null;
  let left = MOST_TOLD;
  const told = troubled.flatMap((lane) => {
    const misfits = lane.misfits.slice(0, left);
    left -= misfits.length;
    return misfits.length > 0 ? [{ lane, misfits }] : [];
  });
  const count = troubled.reduce((sum, { misfits }) => sum + misfits.length, 0);
  return (
    <Column render="section" aria-label="Does not fit" gap="$2">
      <Heading>Does not fit</Heading>
      {told.map(({ lane, misfits }) => {
        const stops = new Map(lane.stops.map((stop) => [stop.visit.id, stop]));
        const place = (visit: string): string => stops.get(visit)?.siteName ?? '';
        return (
          <Column key={lane.person.id} gap={2}>
            <Row justifyContent="space-between" gap="$2">
              <Body small strong flexShrink={1}>
                {lane.person.name}
              </Body>
              {mayPlan ? <Room lane={lane} way={way} /> : null}
            </Row>
            {misfits.map((misfit) => (
              <PressableRow
                key={`${misfit.code} ${misfit.visit}`}
                minHeight={32}
                paddingVertical={2}
                onPress={() => lookAtStop(misfit.visit, lane.person.id)}
              >
                <Body tiny textAlign="left">
                  <Body tiny strong>
                    {place(misfit.visit)}
                  </Body>{' '}
                  {sayMisfit(misfit, place)}
                </Body>
              </PressableRow>
            ))}
          </Column>
        );
      })}
      {count > MOST_TOLD ? (
        <Body tiny quiet>
          and {count - MOST_TOLD} more: narrow the day to see them
        </Body>
      ) : null}
    </Column>
  );
}

/** Puts later what comes too soon after something else, where that helps. */
function Room({ lane, way }: { readonly lane: Lane; readonly way: BoardWaysKnown }) {
  const tight = lane.misfits.some(({ code }) => code === 'overlap' || code === 'too far');
  const later = tight ? makeRoom(lane.stops.map(boardVisit), way.about) : null;
  if (!later || later.size === 0) return null;
  const moved = (stop: BoardStop) => {
    const start = later.get(stop.visit.id);
    const from = placingOf(stop);
    return start === undefined ? [] : [{ visit: stop.visit.id, from, to: { ...from, start } }];
  };
  const moves = lane.stops.flatMap(moved);
  const last = lane.stops.find(({ visit }) => visit.id === moves.at(-1)?.visit);
  return (
    <Button
      dense
      label={`Make room: ${lane.person.name}, ${moves.length} later${last ? `, ${last.siteName} at ${sayMinute(moves.at(-1)?.to.start ?? 0)}` : ''}`}
      onPress={() => takeStep({ words: `room for ${lane.person.name}`, moves })}
    >
      Make room
    </Button>
  );
}
