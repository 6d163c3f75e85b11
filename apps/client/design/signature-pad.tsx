import { lazy, Suspense } from 'react';
import type { SignaturePadProps } from './signature-box.tsx';

// A sheet and a visit are signed in, and neither is what a phone shows first.
const SignatureBox = lazy(async () => {
  const { SignatureBox: Loaded } = await import('./signature-box.tsx');
  return { default: Loaded };
});

/** A box to sign in, with the name beside it. */
export const SignaturePad = (props: SignaturePadProps) => (
  <Suspense fallback={null}>
    <SignatureBox {...props} />
  </Suspense>
);
