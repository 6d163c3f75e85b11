export { SheetScreen as default } from '@/features/capture/field/sheet-screen.tsx';
