export { KeptScreen as default } from '@/features/sync/field/kept-screen.tsx';
