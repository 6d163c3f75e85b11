import { assetRows } from '@ant-trail/core/register';
import type { QuestionState } from '@ant-trail/core/sheet';
import { Button } from '@/design/button.tsx';
import { useLive } from '@/device/use-live.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { useSheetSession } from '../session/sheet-context.tsx';

/** The things the register knows here and that have no row yet: all put in with one press. */
export function FromRegister({ state }: { state: QuestionState }) {
  const session = useSheetSession();
  const { store } = usePhone();
  const site = session.context.site.id;
  const assets = useLive(() => store.assets.where('site').equals(site).toArray(), [store, site]);
  const rows = assetRows(state, assets ?? [], session.context.own.asset);
  if (rows.length === 0) return null;
  return (
    <Button dense onPress={() => session.writeAll(rows.map((row) => ({ ...row, kind: 'answer' })))}>
      Put in {rows.length} from the register
    </Button>
  );
}
