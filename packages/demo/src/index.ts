export { DEMO_PASSWORD, emailOf, PEOPLE } from './people.ts';
export { drawPictures, type DemoPicture } from './pictures.ts';
export { Scenario, type DemoSetting, type TableRows } from './scenario.ts';
