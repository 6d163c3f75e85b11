import type { TradeKit } from '../kit.ts';
import { OVER_PLACE } from './over-place.ts';

export { conditionsOf, URGENCIES, type Condition, type Urgency } from './conditions.ts';
export { layOut, MOST_SPOTS, type Place } from './lay-out.ts';
export { limitsOf, unseenAreas, type Limit } from './limits.ts';
export {
  BANDS,
  bandOf,
  DEPTHS,
  MATERIALS,
  pathOf,
  pictureOf,
  wetAt,
  type Band,
  type Material,
  type Spot,
  type Tile,
  type WallPicture,
} from './moisture.ts';
export { wallsOf, wetnessOf, type Wall } from './walls.ts';

export const PROPERTY: TradeKit = {
  ...{ key: 'property', name: 'Property reports', functions: [] },
  reckoning: OVER_PLACE,
};
