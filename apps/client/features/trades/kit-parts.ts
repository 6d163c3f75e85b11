import { MORE_KIT_PARTS } from './more-kit-parts.ts';
import type { KnownKitPart, KnownKitRows } from './part.ts';

/** Kits with a part of their own in the field, a line for each part; the others have their results alone. */
export const KIT_PARTS: readonly KnownKitPart[] = [
  {
    ...{ kit: 'energy', sections: ['shell', 'proposal'] },
    load: () => import('./energy/where-heat-goes.tsx'),
  },
  { kit: 'energy', sections: ['kept'], load: () => import('./energy/what-came-of-it.tsx') },
  {
    ...{ kit: 'property', sections: ['conditions'] },
    load: () => import('./property/place-marks.tsx'),
  },
  { kit: 'alarm', sections: ['devices'], load: () => import('./alarm/floor-plan.tsx') },
  { kit: 'alarm', sections: ['panel'], load: () => import('./alarm/battery-years.tsx') },
  ...MORE_KIT_PARTS,
];

/** Kits that show a group of rows in their own way. */
export const KIT_ROWS: readonly KnownKitRows[] = [
  { kit: 'electrical', rows: 'boards', load: () => import('./electrical/boards.tsx') },
  { kit: 'alarm', rows: 'devices', load: () => import('./alarm/devices.tsx') },
  { kit: 'alarm', rows: 'signals', load: () => import('./alarm/signals.tsx') },
  { kit: 'property', rows: 'walls', load: () => import('./property/walls.tsx') },
];
