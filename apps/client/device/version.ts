/** Which version of the application this is; it is written in as it is built. */
export const VERSION: string = process.env.EXPO_PUBLIC_VERSION ?? 'not built';
