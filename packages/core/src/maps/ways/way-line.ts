/** When a cableway goes: minutes of the day, and minutes between. It goes from both ends. */
export interface Timetable {
  /** Minutes from one departure to the next. */
  readonly every: number;
  readonly first: number;
  readonly last: number;
  /** How long it takes; by its length at a usual speed where nobody says. */
  readonly ride?: number | undefined;
}

export const WAY_KINDS = ['road', 'path', 'cableway'] as const;
export type WayKind = (typeof WAY_KINDS)[number];

/** A line of the map that people can go along, both ways. Positions as in GeoJSON: longitude, latitude. */
export interface WayLine {
  readonly kind: WayKind;
  readonly name: string;
  readonly line: readonly (readonly [number, number])[];
  readonly timetable?: Timetable | undefined;
  /** How high it lies above others: 1 for a bridge, -1 for a tunnel. On the ground where it is left out. */
  readonly level?: number | undefined;
}
