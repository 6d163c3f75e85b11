import type { ListedThing } from '../catalogues/index.ts';
import { sayFact, type Field } from '../fields/index.ts';
import { byName, sameKind, type Asset } from './asset.ts';
import { wayTo } from './tree.ts';

/** What is known of each thing of one kind. */
export interface KindOfThing {
  readonly name: string;
  readonly fields: readonly Field[];
}

/** The things of one place that are there, as questions look them up. */
export function listThings(
  assets: readonly Asset[],
  kinds: readonly KindOfThing[],
  /** The short number of each thing's label. */
  numbers: ReadonlyMap<string, string>,
): ListedThing[] {
  const known = new Map(assets.map((asset) => [asset.id, asset]));
  return assets
    .filter(({ retired }) => !retired)
    .sort(byName)
    .map((asset) => ({
      ...{ id: asset.id, name: asset.name, kind: asset.kind },
      where: wayTo(asset, known)
        .map(({ name }) => name)
        .join(', '),
      number: numbers.get(asset.id) ?? '',
      facts: factsOf(asset, kinds.find(({ name }) => sameKind(name, asset.kind))?.fields ?? []),
    }));
}

const factsOf = ({ facts }: Asset, fields: readonly Field[]): ListedThing['facts'] =>
  Object.fromEntries(
    fields.flatMap((field) => {
      const value = Object.hasOwn(facts, field.key) ? facts[field.key]?.value : undefined;
      const is = typeof value === 'number' ? value : sayFact(field, facts);
      return is === '' ? [] : [[field.key, { label: field.label, is }]];
    }),
  );
