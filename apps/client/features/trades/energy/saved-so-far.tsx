import { useTheme } from '@tamagui/core';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body, Figure, Heading } from '@/design/text.tsx';
import type { Nearest } from './nearest.ts';
import type { EnergyKit, EnergyNow } from './use-energy.ts';

const STEPS = 24;

interface SavedSoFarProps {
  readonly now: EnergyNow;
  readonly nearest: Nearest | null;
  /** Null where nothing may be changed. */
  readonly onTake: (() => void) | null;
}

/** What is saved so far as a trail towards what is wanted, and the cheapest way of what is left of it. */
export function SavedSoFar({ now, nearest, onTake }: SavedSoFarProps) {
  const { kit, survey } = now;
  const { before, after } = survey.savings;
  const saved = before.total - after.total;
  const wanted = kit.wantedOf(survey);
  return (
    <Column gap="$1">
      <Row justifyContent="space-between" alignItems="baseline" gap="$3" flexWrap="wrap">
        <Heading>Saved so far</Heading>
        <Body small quiet>
          <Figure strong fontSize="$5">
            {kit.sayWhole(saved)}
          </Figure>
          {wanted === null
            ? ` of ${kit.sayWhole(before.total)} kWh a year`
            : ` of ${kit.sayWhole(wanted)} kWh wanted`}
        </Body>
      </Row>
      {wanted === null ? null : <Towards share={saved / wanted} />}
      <Body small quiet role="status">
        {sayNearest(kit, wanted, saved, nearest)}
      </Body>
      {nearest?.way && nearest.way.measures.length > 0 && onTake ? (
        <Row>
          <Button dense onPress={onTake}>
            Take {nearest.way.measures.length === 1 ? 'it' : `all ${nearest.way.measures.length}`}{' '}
            up
          </Button>
        </Row>
      ) : null}
    </Column>
  );
}

function Towards({ share }: { readonly share: number }) {
  const theme = useTheme();
  const done = Math.max(0, Math.min(STEPS, Math.floor(share * STEPS + 1e-9)));
  return (
    <Row aria-hidden gap={4} justifyContent="space-between" paddingVertical="$1">
      {Array.from({ length: STEPS }, (_, at) => (
        <div
          key={at}
          style={{
            width: 9,
            height: 9,
            borderRadius: 5,
            background: at < done ? theme.ink.get() : 'transparent',
            border: `1.5px solid ${at < done ? theme.ink.get() : theme.sand.get()}`,
          }}
        />
      ))}
    </Row>
  );
}

function sayNearest(
  kit: EnergyKit,
  wanted: number | null,
  saved: number,
  nearest: Nearest | null,
): string {
  if (wanted === null) return 'The programme sets no mark.';
  if (saved >= wanted - 0.5) return 'What the programme wants is reached.';
  if (!nearest) return '';
  const { way, rest } = nearest;
  if (!way)
    return `${kit.sayWhole(rest)} kWh are missing. All that is allowed here does not get there.`;
  const names = [...new Set(way.measures.map(({ measure }) => measure.label))];
  const list = names.length > 3 ? `${names.slice(0, 3).join(', ')} and more` : names.join(', ');
  return `${way.isLeast ? 'Nearest way' : 'A near way'} to the rest: ${list}, for ${kit.sayWhole(way.net)} net.`;
}
