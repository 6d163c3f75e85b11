export { AroundScreen } from './around-screen.tsx';
export { WayScreen } from './way-screen.tsx';
