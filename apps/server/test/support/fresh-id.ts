import { timeOrderedId } from '@ant-trail/core/log';

let made = 0;

/** An id as a phone makes them just now, each later than the one before. */
export const freshId = (): string =>
  timeOrderedId(Date.now() + ++made, new Uint8Array(16).fill(made % 250));
