/**
 * What the questions of a certificate are called, so that the kit finds them: a template that uses
 * these keys gets the picture of the ways, the schedules and the results; others work as lists.
 */
export const BOARDS = 'boards';
export const CIRCUITS = 'circuits';

/** What one circuit has in common with another like it; what is measured is its own. */
export const SHARED_BY_CIRCUITS: readonly string[] = [
  ...['use', 'device', 'rcd', 'cable', 'laid', 'wired', 'beside'],
];

const WAY = 'Way ';

/** What a way is called where it stands among other things: “7” is “Way 7” there, “L1-7” speaks for itself. */
export const wayName = (short: string): string => (/^\d+$/.test(short) ? `${WAY}${short}` : short);

/** The same where only ways stand: “7”. */
export const shortWay = (name: string): string =>
  name.startsWith(WAY) ? name.slice(WAY.length) : name;
