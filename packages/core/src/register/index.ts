export * from './asset.ts';
export * from './rows-of-assets.ts';
