export * from './compile.ts';
export * from './general-functions.ts';
export * from './offer.ts';
export * from './free-key.ts';
