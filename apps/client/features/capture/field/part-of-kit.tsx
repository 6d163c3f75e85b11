import { KitPart } from '@/features/trades/kit-part.tsx';
import type { KitPartProps } from '@/features/trades/part.ts';
import { useSheetSession } from '../session/sheet-context.tsx';
import { useKitWords } from './use-kit-words.ts';

type Props = Pick<KitPartProps, 'state' | 'section' | 'locked' | 'seek'> & {
  readonly isFirst: boolean;
};

/** What the sheet’s kit adds to a section. */
export function PartOfKit(props: Props) {
  const session = useSheetSession();
  return (
    <KitPart
      {...props}
      {...useKitWords()}
      kit={session.context.version.body.kit}
      readBefore={(path) => session.context.series.get(path) ?? []}
      answer={(path, value, unit) =>
        session.write(path, 'answer', value, unit === undefined ? {} : { unit })
      }
    />
  );
}
