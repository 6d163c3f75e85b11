import { readNumber } from '@ant-trail/core/measure';
import { WET } from '@ant-trail/core/trades/property/keys';
import type { Material } from '@ant-trail/core/trades/property';
import { useEffect, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { Body, Figure } from '@/design/text.tsx';
import type { KitRowsProps } from '../part.ts';
import type { Laid } from './spots.ts';
import type { PropertyKit } from './use-property.ts';

interface SpotListProps {
  readonly kit: PropertyKit;
  readonly material: Material | null;
  readonly spots: readonly Laid[];
  /** Path of the one that is being read. */
  readonly at: string | null;
  readonly onAt: (path: string) => void;
}

/** All readings of a wall: a touch goes to one. */
export function SpotList({ kit, material, spots, at, onAt }: SpotListProps) {
  return (
    <Column role="list" aria-label="Readings">
      {spots.map((each) => (
        <Column key={each.path} role="listitem">
          <PressableRow
            justifyContent="center"
            paddingHorizontal="$2"
            onPress={() => onAt(each.path)}
            {...(each.path === at
              ? { backgroundColor: '$touch' as const, 'aria-current': true as const }
              : {})}
          >
            <Row justifyContent="space-between" gap="$3">
              <Body small>{each.name}</Body>
              {each.wet === null ? (
                <Body small quiet>
                  not read
                </Body>
              ) : (
                <Row gap="$3">
                  <Body small quiet>
                    {material ? kit.bandOf(material, each.wet) : ''}
                  </Body>
                  <Figure small>{each.wet} %</Figure>
                </Row>
              )}
            </Row>
          </PressableRow>
        </Column>
      ))}
    </Column>
  );
}

interface ReadOneProps {
  readonly spot: Laid;
  readonly write: KitRowsProps['write'];
  readonly onNext: () => void;
}

/** One reading: kept as soon as the next is gone to. */
export function ReadOne({ spot, write, onNext }: ReadOneProps) {
  const [typed, setTyped] = useState(spot.wet === null ? '' : String(spot.wet));
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => setProblem(null), [typed]);
  const keep = async (): Promise<void> => {
    const read = readNumber(typed);
    if ('problem' in read) return setProblem(read.problem);
    if (read.value < 0 || read.value > 100)
      return setProblem('Percent by mass: between 0 and 100. Read it again.');
    const refused = await write([{ path: `${spot.path}/${WET}`, value: read.value, unit: '%' }]);
    if (refused === null) onNext();
    else setProblem(refused);
    return undefined;
  };
  return (
    <Row gap="$3" alignItems="flex-end" padding="$3" borderTopWidth={1} borderColor="$rule">
      <Column flex={1}>
        <Input
          label={`${spot.name}, %`}
          kind="decimal"
          mono
          autoFocus
          value={typed}
          onChange={setTyped}
          problem={problem ?? undefined}
          onEnter={() => void keep()}
          enter="next"
        />
      </Column>
      <Button main repeats onPress={keep}>
        Next
      </Button>
    </Row>
  );
}
