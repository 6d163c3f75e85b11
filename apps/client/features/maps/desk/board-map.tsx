import { MapAnswer } from '@ant-trail/contract/maps';
import { turningBack, visitStanding } from '@ant-trail/core/planning';
import { useMemo } from 'react';
import { useOffice } from '@/device/office.ts';
import type { BoardMapProps } from '@/features/planning/desk/day-screen.tsx';
import { LazyMap } from '../lazy-map.tsx';
import type { Spot } from '../spot-face.ts';

/** The stops of a day on the map, numbered as each person goes, and the way of whoever is looked at. */
export function BoardMap({ stops, chosen, person, names, onChoose }: BoardMapProps) {
  const layers = useOffice(MapAnswer, '/api/map', ['map']).answer?.layers;
  const spots = useMemo(() => {
    const counts = new Map<string | null, number>();
    const shown = [...stops].sort((a, b) => a.visit.start - b.visit.start);
    return shown
      .filter(({ visit }) => person === null || visit.person === person)
      .flatMap(({ visit, siteName, at }): Spot[] => {
        if (!at) return [];
        const number = (counts.get(visit.person) ?? 0) + 1;
        counts.set(visit.person, number);
        const isBegun = visitStanding(visit.person, visit.events) === 'under way';
        return [
          {
            ...{ id: visit.id, name: siteName, ...at },
            tone:
              turningBack(visit.events) || visit.person === null
                ? 'eyes'
                : isBegun
                  ? 'done'
                  : 'stop',
            mark: `${visit.person === null ? '?' : names(visit.person).slice(0, 1)}${number}`,
          },
        ];
      });
  }, [stops, person, names]);
  const way = useMemo(
    () => (person === null ? null : spots.map(({ lat, lon }) => [lon, lat] as const)),
    [person, spots],
  );
  return (
    <LazyMap
      label="The stops of the day"
      layers={layers ?? NO_LAYERS}
      spots={spots}
      chosen={chosen}
      onChoose={onChoose}
      way={way && way.length > 1 ? way : null}
    />
  );
}

const NO_LAYERS: readonly [] = [];
