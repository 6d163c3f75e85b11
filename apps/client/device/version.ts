import { version } from '../package.json';

/** Which version of the application this is. From a file of its own: a build that keeps what it made before sees that it changed. */
export const VERSION: string = version;
