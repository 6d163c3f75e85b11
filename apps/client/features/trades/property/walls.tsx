import { rowPath } from '@ant-trail/core/log';
import type { RowState } from '@ant-trail/core/sheet';
import { useEffect, useState } from 'react';
import { Column } from '@/design/box.tsx';
import { newId } from '@/device/identity.ts';
import type { KitRowsProps } from '../part.ts';
import { RowCard, RowCards } from '../row-cards.tsx';
import { isLaid, isRead, laidOn, materialOf } from './spots.ts';
import { useProperty, type PropertyKit } from './use-property.ts';
import { WallDrawing } from './wall-drawing.tsx';
import { WallScreen } from './wall-screen.tsx';

/** The walls whose moisture was read: each as its picture, and the way in. */
export default function Walls(props: KitRowsProps) {
  const { state, locked, write, sought, onShown } = props;
  const kit = useProperty();
  const [opened, setOpened] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const { rows } = state;
  useEffect(() => {
    if (sought === null) return;
    setOpened(rows.find(({ path }) => sought.startsWith(`${path}/`))?.id ?? null);
    onShown();
  }, [sought, rows, onShown]);
  if (!kit) return null;
  const { question } = state;
  const isFull =
    question.kind === 'rows' && question.most !== undefined && rows.length >= question.most;
  const add = async (): Promise<void> => {
    const id = newId();
    const order = Math.max(0, ...rows.map((row) => row.order)) + 1;
    const value = { order, name: `Wall ${rows.length + 1}` };
    const refused = await write([{ path: rowPath(state.path, id), value }]);
    setTrouble(refused);
    if (refused === null) setOpened(id);
  };
  const wall = rows.find(({ id }) => id === opened);
  return (
    <Column gap="$3">
      <RowCards
        label={question.label}
        trouble={trouble}
        another={locked || isFull ? null : rows.length === 0 ? 'The first wall' : 'Another wall'}
        onAdd={add}
      >
        {rows.map((each) => (
          <WallCard key={each.id} kit={kit} wall={each} onOpen={() => setOpened(each.id)} />
        ))}
      </RowCards>
      {wall ? (
        <WallScreen
          {...props}
          key={wall.id}
          kit={kit}
          wall={wall}
          onClose={() => setOpened(null)}
        />
      ) : null}
    </Column>
  );
}

/** What a wall comes to in words. */
export function sayWall(kit: PropertyKit, wall: RowState): string {
  const spots = laidOn(wall);
  const read = spots.filter(isRead);
  const material = materialOf(kit, wall);
  if (!material) return 'Say what it is made of.';
  if (spots.length === 0) return 'Nothing is laid out on it yet.';
  const wet = read.filter((spot) => kit.bandOf(material, spot.wet) === 'wet').length;
  const left = spots.length - read.length;
  return [
    `${read.length} of ${spots.length} read`,
    read.length === 0 ? '' : wet === 0 ? 'none of them wet' : `${wet} wet`,
    left === 0 && read.length > 0 ? `up to ${Math.max(...read.map((spot) => spot.wet))} %` : '',
  ]
    .filter(Boolean)
    .join(', ');
}

interface WallCardProps {
  readonly kit: PropertyKit;
  readonly wall: RowState;
  readonly onOpen: () => void;
}

function WallCard({ kit, wall, onOpen }: WallCardProps) {
  const material = materialOf(kit, wall);
  const spots = laidOn(wall);
  const picture = material && kit.pictureOf(material, spots.filter(isRead), spots.filter(isLaid));
  return (
    <RowCard name={wall.name} words={sayWall(kit, wall)} onOpen={onOpen}>
      {picture ? <WallDrawing kit={kit} picture={picture} at={null} /> : null}
    </RowCard>
  );
}
