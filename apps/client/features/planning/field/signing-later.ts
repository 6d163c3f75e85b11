import { lazy } from 'react';

// Where somebody signs comes from the phone's own cache when it is gone to: from a visit, or from a sheet.
export const SigningDialog = lazy(async () => {
  const { SigningDialog: Loaded } = await import('./signing-dialog.tsx');
  return { default: Loaded };
});
