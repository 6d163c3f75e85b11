export { ThingFinder, type ThingWords } from './find-things.ts';
export {
  type FactOfThing,
  type ReadingOfThing,
  type SaidOfThing,
  saidOfThings,
} from './said-of-things.ts';
