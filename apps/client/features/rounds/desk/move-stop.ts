/** A list with one of it at another place. */
export function moved<Item>(items: readonly Item[], from: number, to: number): Item[] {
  const rest = items.filter((_, at) => at !== from);
  const item = items[from];
  return item === undefined ? rest : [...rest.slice(0, to), item, ...rest.slice(to)];
}
