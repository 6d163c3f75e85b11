export { readShortCode, shortCode, spaced } from './short-code.ts';
