/** Something on the map that can be chosen. */
export interface Spot {
  readonly id: string;
  readonly name: string;
  readonly lat: number;
  readonly lon: number;
  readonly tone: 'place' | 'stop' | 'eyes' | 'done';
  /** A number or two letters on it. */
  readonly mark?: string;
}

/** A spot, with its name on a side where there is room. */
export function faceOf(
  { name, tone, mark }: Spot,
  isChosen: boolean,
  side: 'right' | 'left' | null,
): HTMLElement {
  const face = document.createElement('span');
  face.className = `map-spot map-${tone}${isChosen ? ' map-chosen' : ''}`;
  const leaf = document.createElement('span');
  leaf.className = 'map-leaf';
  leaf.textContent = mark ?? '';
  face.append(leaf);
  if (side) {
    const words = document.createElement('span');
    words.className = `map-name map-${side}`;
    words.textContent = name;
    face.append(' ', words);
  }
  return face;
}

/** Several too close together to be told apart. */
export function faceOfMany(count: number): HTMLElement {
  const face = document.createElement('span');
  face.className = 'map-many';
  face.textContent = count > 999 ? `${Math.round(count / 1000)}k` : String(count);
  return face;
}

/** What a reader of the screen says of a spot. */
export const labelOf = ({ mark, name }: Spot): string => (mark ? `${mark} ${name}` : name);
