import type { Facts } from '../fields/index.ts';
import type { Condition } from './condition.ts';

/** A thing in the register of a site, or a part of the site that holds things. */
export interface Asset {
  /** Also the id of its row in every sheet, so that what is recorded lines up from visit to visit. */
  readonly id: string;
  readonly site: string;
  /** What kind of thing it is, as templates name it: "extinguisher", "circuit board". */
  readonly kind: string;
  readonly name: string;
  /** No longer there: kept for its history, offered no more. */
  readonly retired: boolean;
  /** A part of the site, such as a room: things stand in it. */
  readonly area: boolean;
  /** The area or thing it stands in; null for the site itself. */
  readonly within: string | null;
  readonly condition: Condition;
  /** What is known of it, by the key of the field its kind has for that. */
  readonly facts: Facts;
  /** What an area serves: the same room may be one for lighting and one for heating. */
  readonly purposes: readonly string[];
  /** Areas it belongs to besides the one it stands in, each for what that serves: a zone, a circuit. */
  readonly alsoIn: readonly string[];
}

/** Kinds are compared as people write them, capitals and blanks aside. */
export const sameKind = (one: string, other: string): boolean =>
  one.trim().toLowerCase() === other.trim().toLowerCase();

/** The order assets stand in: by name, numbers in it by their size. */
export const byName = (a: Pick<Asset, 'name'>, b: Pick<Asset, 'name'>): number =>
  a.name.localeCompare(b.name, 'en', { numeric: true });
