import { sayLength, sayMinute } from '@ant-trail/core/calendar';
import type { Load, Misfit, Placing } from '@ant-trail/core/planning/board';
import { sayNearDay } from '@/design/say-day.ts';

type SayPlace = (visit: string) => string;

/** What of a plan does not fit, beside the name of the place it is about. */
export function sayMisfit(misfit: Misfit, place: SayPlace): string {
  switch (misfit.code) {
    case 'overlap':
      return `overlaps with ${place(misfit.with)} by ${sayLength(misfit.minutes)}`;
    case 'too far':
      return `is too far from ${place(misfit.from)}: the way takes ${sayLength(misfit.takes)}, there ${misfit.has === 1 ? 'is' : 'are'} ${sayLength(misfit.has)}`;
    case 'promise':
      return sayPromise(misfit.from, misfit.to);
    case 'outside hours':
      return misfit.hours.length === 0
        ? 'on a day off'
        : `outside ${misfit.hours.map(({ from, to }) => `${sayMinute(from)}–${sayMinute(to)}`).join(', ')}`;
    case 'absent':
      return misfit.why ? `away: ${misfit.why}` : 'away that day';
    case 'vehicle':
      return `too much for the vehicle: ${count(misfit.takes)} of ${count(misfit.holds)} ${misfit.what}`;
  }
}

function sayPromise(from: number | null, to: number | null): string {
  if (from === null) return `promised until ${sayMinute(to ?? 0)}`;
  return to === null
    ? `promised from ${sayMinute(from)}`
    : `promised ${sayMinute(from)}–${sayMinute(to)}`;
}

/** The same in a word or two, for the chart. */
export const MISFIT_MARK: Readonly<Record<Misfit['code'], string>> = {
  overlap: 'overlaps',
  'too far': 'too far',
  promise: 'not as promised',
  'outside hours': 'outside hours',
  absent: 'away',
  vehicle: 'too much to carry',
};

const count = (amount: number): string =>
  amount.toLocaleString('en-GB', { maximumFractionDigits: 2 });

const hoursOf = (minutes: number): string => (minutes / 60).toFixed(1).replace(/\.0$/, '');

/** “6.1 of 8 h”. */
export function sayTaken(stops: number, { work, travel, hours }: Load): string {
  if (stops === 0) return 'free';
  return `${hoursOf(work + travel)}${hours === null ? '' : ` of ${hoursOf(hours)}`} h`;
}

/** “4 stops · 6.1 of 8 h”. */
export const sayLoad = (stops: number, load: Load): string =>
  stops === 0 ? 'free' : `${stops} ${stops === 1 ? 'stop' : 'stops'} · ${sayTaken(stops, load)}`;

/** Where something was put: “Imke Dorrance, 09:35”, with the day where it is another. */
export function sayPlacing(
  { person, day, start }: Placing,
  name: (id: string | null) => string,
  shown: string,
  today: string,
): string {
  const who = person === null ? 'nobody' : name(person);
  return `${who}, ${day === shown ? '' : `${sayNearDay(day, today)} `}${sayMinute(start)}`;
}
