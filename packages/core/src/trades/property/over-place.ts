import type { Reckoned, Reckoning, ResultOffer, SheetAnswers } from '../kit.ts';
import { conditionsOf } from './conditions.ts';
import { AREAS, CONDITIONS, WALLS } from './keys/index.ts';
import { unseenAreas } from './limits.ts';
import { wetnessOf } from './walls.ts';

const count = (name: string, label: string, needs: string, about: string): ResultOffer => ({
  ...{ name, label, needs, about, type: 'double' },
});

/** Goes over areas, walls and what is to be put right. */
export const OVER_PLACE: Reckoning = {
  results: [
    count('toPutRight', 'To put right', CONDITIONS, 'How many conditions were found.'),
    count('putRightNow', 'At once', CONDITIONS, 'How many of them can’t wait.'),
    count(
      'wetPlaces',
      'Wet readings',
      WALLS,
      'How many readings are wet for what they were taken in.',
    ),
    count('notSeen', 'Not wholly seen', AREAS, 'How many areas were not seen, or in part.'),
    {
      ...{
        name: 'wettestReading',
        label: 'Wettest',
        type: 'double',
        unit: '%',
        aside: true,
        needs: WALLS,
      },
      about: 'The highest reading of all walls, percent by mass.',
    },
  ],
  run: (answers: SheetAnswers): Reckoned => {
    const conditions = conditionsOf(answers);
    const { wet, most } = wetnessOf(answers);
    return {
      toPutRight: conditions.length,
      putRightNow: conditions.filter(({ urgency }) => urgency === 'now').length,
      wetPlaces: wet,
      notSeen: unseenAreas(answers).length,
      ...(most === null ? {} : { wettestReading: most }),
    };
  },
};
