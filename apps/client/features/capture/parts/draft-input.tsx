import { Input, type InputProps } from '@/design/input.tsx';
import { useEnter } from '../session/sheet-context.tsx';
import { useDraft, type Keep } from './use-draft.ts';

export interface DraftInputProps extends Pick<
  InputProps,
  'label' | 'hideLabel' | 'kind' | 'lines' | 'mono' | 'problem'
> {
  readonly kept: string;
  readonly keep: Keep;
  readonly locked: boolean;
  /** The path it answers. */
  readonly path?: string;
}

/** A field that keeps what is typed when the person pauses or leaves; locked, it only shows it. */
export function DraftInput({ kept, keep, locked, problem, path, ...field }: DraftInputProps) {
  const draft = useDraft(kept, keep, path === undefined ? {} : { path });
  const enter = useEnter(locked ? undefined : path);
  return (
    <Input
      {...field}
      problem={draft.refused ?? problem}
      value={draft.text}
      onChange={locked ? () => undefined : draft.change}
      onLeave={draft.settle}
      enter={enter ? 'next' : 'done'}
      onEnter={() => {
        draft.settle();
        enter?.();
      }}
    />
  );
}
