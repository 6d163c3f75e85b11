export { FindScreen } from './find-screen.tsx';
export { LabelsScreen } from './labels-screen.tsx';
export { ThingScreen } from './thing-screen.tsx';
