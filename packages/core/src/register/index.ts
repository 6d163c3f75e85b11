export { type Asset, byName, sameKind } from './asset.ts';
export {
  type Condition,
  CONDITION_RULES,
  CONDITIONS,
  type ConditionMark,
  type ConditionRules,
} from './condition.ts';
export { type KindOfThing, listThings } from './listed-things.ts';
export { assetRows, type RowThing, thingsIn } from './rows-of-assets.ts';
export { type Belonging, purposesOf, seenFor, servesFor } from './seen-for.ts';
export {
  heldBy,
  type PlacingProblem,
  problemWithPlacing,
  type Standing,
  treeOf,
  type TreeLine,
  wayTo,
} from './tree.ts';
