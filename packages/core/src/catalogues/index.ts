export {
  type Catalogue,
  type CatalogueColumn,
  type CatalogueRow,
  fieldOf,
  LONGEST_CODE,
  LONGEST_NAME,
  LONGEST_TEXT,
  MOST_COLUMNS,
  MOST_ROWS,
  OWN_NAMES,
} from './catalogue.ts';
export { rowFinder } from './find-rows.ts';
export {
  contactsToLookUp,
  isOurList,
  type ListedPlace,
  type ListedThing,
  OUR_LISTS,
  type OurList,
  ownersToLookUp,
  sayCode,
  thingsToLookUp,
} from './lists-of-ours.ts';
export { lookedUp, missingCatalogues, sayFields } from './look-up.ts';
