/** What this application never draws: lists and controls of the packages it is built on, and their tabs and stacks. */
export default function LeftOut() {
  throw new Error('This part is left out of the application: see metro.config.js');
}
export const Tabs = LeftOut;
export const Stack = LeftOut;
export const ExperimentalStack = LeftOut;
export const Sitemap = LeftOut;
export const getNavOptions = () => ({});
export const createNativeStackNavigator = () => ({ Navigator: LeftOut });
export const initScreensFeatureFlags = () => undefined;
export const Head = { Provider: ({ children }) => children };
