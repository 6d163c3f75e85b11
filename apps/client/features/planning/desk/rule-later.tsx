import { lazy, Suspense } from 'react';
import type { RuleFieldsProps } from './rule-fields.tsx';

// Templates and clients have rules; what both would bring along would come with every first screen.
const Loaded = lazy(async () => {
  const { RuleFields: Fields } = await import('./rule-fields.tsx');
  return { default: Fields };
});

/** The job that follows: when, what, and by whom. */
export const RuleFields = (props: RuleFieldsProps) => (
  <Suspense fallback={null}>
    <Loaded {...props} />
  </Suspense>
);
