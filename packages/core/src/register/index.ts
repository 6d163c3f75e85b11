export { type Asset, byName } from './asset.ts';
export { assetRows, type RowThing, thingsIn } from './rows-of-assets.ts';
