import type { Asset } from '@ant-trail/contract/register';
import { CONDITION_RULES } from '@ant-trail/core/register';
import { Row } from '@/design/box.tsx';
import { Mark } from '@/design/mark.tsx';

/** A square for a part of a place, the mark of its condition for a thing. */
export const ThingMark = ({
  thing: { area, condition },
  size = 18,
}: {
  thing: Pick<Asset, 'area' | 'condition'>;
  size?: number;
}) =>
  area ? (
    <Row
      width={size}
      height={size}
      borderWidth={2}
      borderColor="$ink"
      borderRadius={5}
      aria-hidden
    />
  ) : (
    <Mark name={CONDITION_RULES[condition].mark} size={size} silent />
  );
