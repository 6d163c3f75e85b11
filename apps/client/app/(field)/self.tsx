export { SelfScreen as default } from '@/features/accounts/field/self-screen.tsx';
