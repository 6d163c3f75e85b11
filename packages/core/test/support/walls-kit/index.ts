import type { KnownKit } from '../../../src/trades/kit.ts';

interface Wall {
  readonly area?: number;
  readonly u?: number;
}

/**
 * A kit for tests: heat that walls let through, with the temperatures of a sheet. Q = U × A × ΔT
 * (ISO 6946, formula from memory).
 */
export const MORE_KITS: readonly KnownKit[] = [
  {
    ...{ key: 'walls', name: 'Walls, for tests', functions: ['heatThrough'] },
    load: () =>
      Promise.resolve({
        ...{ key: 'walls', name: 'Walls, for tests' },
        functions: [
          {
            name: 'heatThrough',
            takes: ['double', 'double', 'double'],
            gives: 'double',
            usage: 'heatThrough(u, area, difference)',
            about: 'Heat in W through a wall, U in W/(m²·K), area in m², difference in K.',
            run: (u: number, area: number, difference: number) => u * area * difference,
          },
        ],
        reckoning: {
          results: [
            {
              ...{ name: 'wallLoss', label: 'Heat through the walls', type: 'double', unit: 'W' },
              about: 'Heat through all walls together, W.',
            },
            {
              ...{ name: 'worstWall', label: 'Worst wall', type: 'string' },
              about: 'The wall that lets the most through.',
            },
          ],
          run: (answers) => {
            const { walls, inside, outside } = answers;
            if (!Array.isArray(walls) || typeof inside !== 'number' || typeof outside !== 'number')
              return {};
            const losses = (walls as readonly Wall[]).flatMap(({ area, u }) =>
              area === undefined || u === undefined ? [] : [area * u * (inside - outside)],
            );
            if (losses.length === 0) return {};
            const worst = losses.indexOf(Math.max(...losses)) + 1;
            return {
              wallLoss: losses.reduce((sum, loss) => sum + loss, 0),
              worstWall: `wall ${worst}`,
            };
          },
        },
      }),
  },
];
