import type { CSSProperties, ReactNode } from 'react';

const UNSEEN: CSSProperties = {
  ...{ position: 'absolute', width: 1, height: 1, overflow: 'hidden' },
  clipPath: 'inset(50%)',
};

/** Said to whoever listens, and not drawn: for the others it stands elsewhere on the page. */
export const Unseen = ({ children }: { readonly children: ReactNode }) => (
  <span style={UNSEEN}>{children}</span>
);
