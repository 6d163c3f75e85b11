export { VisitScreen as default } from '@/features/planning/field/visit-screen.tsx';
