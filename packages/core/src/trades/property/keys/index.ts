/** What the questions of a property report are called, so that the kit finds them. */
export const AREAS = 'areas';
/** How much of an area was seen, and the words that say what that means for the reader. */
export const SEEN = 'seen';
export const LIMIT = 'limit';

/** Walls whose moisture was read at points of a grid. */
export const WALLS = 'walls';
export const MATERIAL = 'wall_material';
export const SPOTS = 'spots';
/** Metres from the left end of the wall, and from the floor. */
export const ACROSS = 'spot_across';
export const UP = 'spot_up';
export const WET = 'wet';

/** What is to be put right, and the sketch of the place it is marked on. */
export const CONDITIONS = 'conditions';
export const URGENCY = 'urgency';
export const SKETCH = 'place_sketch';
