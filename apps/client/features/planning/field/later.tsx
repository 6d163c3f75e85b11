import { lazy } from 'react';

// Nothing that a phone shows first: each comes from the phone's own cache when it is gone to.
export const bringDetails = () => import('./visit-details.tsx');

export const VisitDetails = lazy(async () => ({ default: (await bringDetails()).VisitDetails }));

export const BeginDialog = lazy(async () => {
  const { BeginDialog: Loaded } = await import('./begin-dialog.tsx');
  return { default: Loaded };
});

export const OwnOrderDialog = lazy(async () => {
  const { OwnOrderDialog: Loaded } = await import('./own-order-dialog.tsx');
  return { default: Loaded };
});

export const LeaveDialog = lazy(async () => {
  const { LeaveDialog: Loaded } = await import('./leave-dialog.tsx');
  return { default: Loaded };
});

export const TellThem = lazy(async () => {
  const { TellThem: Loaded } = await import('@/features/messages/field/tell-them.tsx');
  return { default: Loaded };
});
