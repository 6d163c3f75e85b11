export { DocumentScreen } from './document-screen.tsx';
export { DocumentsScreen } from './documents-screen.tsx';
