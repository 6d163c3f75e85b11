export { TrailScreen as default } from '@/features/planning/field/trail-screen.tsx';
