import { Notice } from './notice.tsx';

/** What is dangerous at a place: seen before anybody sets out, and again there. */
export const Hazards = ({ hazards }: { readonly hazards: readonly string[] }) =>
  hazards.map((hazard) => (
    <Notice key={hazard} tone="eyes" mark="needs eyes">
      {hazard}
    </Notice>
  ));
