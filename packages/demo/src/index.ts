export { CATALOGUES } from './catalogues.ts';
export { DOCUMENTS, type DemoPage } from './documents.ts';
export { DEMO_PASSWORD, emailOf, PEOPLE } from './people.ts';
export { island, type IslandLayer } from './island/index.ts';
export { drawPictures, type DemoPicture } from './pictures.ts';
export { STARTERS, type Starter } from './templates/starters.ts';
export { placeOf, SITES } from './sites.ts';
export { Scenario, type DemoSetting, type TableRows } from './scenario.ts';
