import type { MapPoint } from '@ant-trail/contract/maps';
import type { VisitCard } from '@ant-trail/contract/planning';
import { sayMinute } from '@ant-trail/core/calendar';
import { turningBack, visitStanding } from '@ant-trail/core/planning';
import type { Spot } from '../spot-face.ts';

/** Something on the map, as it stands in the list beside it. */
export interface Line {
  readonly spot: Spot;
  readonly about: string;
  readonly site: string;
}

/** Those in which all words occur. */
export function fitting(lines: readonly Line[], words: string): Line[] {
  const wanted = words.trim().toLowerCase().split(/\s+/).filter(Boolean);
  return lines.filter(({ spot, about }) => {
    const text = `${spot.name} ${about}`.toLowerCase();
    return wanted.every((word) => text.includes(word));
  });
}

/** A line for each place. */
export const linesOf = (places: readonly MapPoint[]): Line[] =>
  places.map(({ id, name, about, lat, lon }) => ({
    ...{ site: id, about, spot: { id, name, lat, lon, tone: 'place' } },
  }));

/** A stop for each visit of the day, numbered in the order each person goes. */
export function linesOfDay(
  cards: readonly VisitCard[],
  places: readonly MapPoint[],
  names: ReadonlyMap<string, string>,
): Line[] {
  const at = new Map(places.map((place) => [place.id, place]));
  const counts = new Map<string | null, number>();
  return [...cards]
    .sort((a, b) => a.visit.start - b.visit.start)
    .flatMap(({ visit, job, siteName }): Line[] => {
      const place = at.get(job.site);
      if (!place) return [];
      const number = (counts.get(visit.person) ?? 0) + 1;
      counts.set(visit.person, number);
      const who = visit.person === null ? 'nobody yet' : (names.get(visit.person) ?? '…');
      const isDone = visitStanding(visit.person, visit.events) === 'under way';
      return [
        {
          site: job.site,
          about: `${who}, ${sayMinute(visit.start)} · ${job.title}`,
          spot: {
            ...{ id: visit.id, name: siteName, lat: place.lat, lon: place.lon },
            tone:
              turningBack(visit.events) || visit.person === null
                ? 'eyes'
                : isDone
                  ? 'done'
                  : 'stop',
            mark: `${initials(who)}${number}`,
          },
        },
      ];
    });
}

const initials = (name: string): string => (name === 'nobody yet' ? '?' : name.slice(0, 1));
