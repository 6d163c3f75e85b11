export {
  arrowHead,
  freePath,
  shapesToSvg,
  SKETCH_WIDTH,
  sketchToSvg,
  symbolLetter,
} from './svg.ts';
export { snapAngle, snapTo } from './snap.ts';
