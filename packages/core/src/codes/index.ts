export { isWholeCode, readShortCode, shortCode, spaced } from './short-code.ts';
