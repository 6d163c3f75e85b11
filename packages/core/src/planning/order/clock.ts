import type { Span } from './problem.ts';

/** Nothing begins in a break, so that the last minute before one is a hair before it. */
const HAIR = 1e-6;

/** When something that takes so long is over, begun at a minute; breaks are waited out in the middle of it. */
export function after(breaks: readonly Span[], at: number, minutes: number): number {
  if (breaks.length === 0) return at + minutes;
  let now = at;
  for (const { from, to } of breaks) {
    if (now >= to) continue;
    if (now + minutes <= from) break;
    now = now >= from ? to : now + (to - from);
  }
  return now + minutes;
}

/** The latest minute at which something may begin that has to be over by another. */
export function before(breaks: readonly Span[], by: number, minutes: number): number {
  let end = by;
  for (let i = breaks.length - 1; i >= 0; i--) {
    const { from, to } = breaks[i] as Span;
    if (end <= from) continue;
    if (end <= to) end = from;
    else if (end - minutes >= to) break;
    else end -= to - from;
  }
  return end - minutes;
}

/** The first minute from one on at which something may begin; Infinity where there is none any more. */
export function firstBegin(windows: readonly Span[], breaks: readonly Span[], at: number): number {
  for (const { from, to } of windows) {
    let begin = at > from ? at : from;
    for (const pause of breaks) if (begin >= pause.from && begin < pause.to) begin = pause.to;
    if (begin <= to) return begin;
  }
  return Infinity;
}

/** The last minute up to one at which something may begin; -Infinity where there is none. */
export function lastBegin(windows: readonly Span[], breaks: readonly Span[], by: number): number {
  for (let i = windows.length - 1; i >= 0; i--) {
    const { from, to } = windows[i] as Span;
    let begin = by < to ? by : to;
    for (const pause of breaks)
      if (begin >= pause.from && begin < pause.to) begin = pause.from - HAIR;
    if (begin >= from) return begin;
  }
  return -Infinity;
}
