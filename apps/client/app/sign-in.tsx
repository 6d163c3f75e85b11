export { SignInScreen as default } from '@/features/accounts/sign-in-screen.tsx';
