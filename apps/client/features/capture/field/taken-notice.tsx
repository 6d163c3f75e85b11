import { Notice } from '@/design/notice.tsx';
import { useLive } from '@/device/use-live.ts';
import { goneVisits } from '@/features/planning/field/gone-visits.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { useSheetSession } from '../session/sheet-context.tsx';

/** Said in the open sheet as soon as the phone hears that the visit is not this person's any more. */
export function TakenNotice() {
  const { store } = usePhone();
  const { visit } = useSheetSession().context;
  const gone = useLive(() => goneVisits(store), [store]) ?? [];
  return gone.includes(visit.id) ? (
    <Notice tone="eyes" mark="needs eyes" alert>
      The office took this visit off your trail: somebody else has it, or it was called off. What
      you answered until now goes to the office all the same, marked as yours. Stop here, or call
      the office.
    </Notice>
  ) : null;
}
