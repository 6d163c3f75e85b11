import { useKept } from '../kept.ts';
import { useSync } from '../engine.ts';

/** What the trail shows at its head, said aloud on every page to whoever does not see it. */
export function SendingSaid() {
  const kept = useKept();
  const state = useSync((sync) => sync.state);
  return (
    <div role="status" className="unseen">
      {kept ? sayKept(kept.operations + kept.photos, kept.refused, state) : ''}
    </div>
  );
}

/** Few words, and the same ones while nothing changes but a number: it must not talk over the work. */
export function sayKept(waiting: number, refused: number, state: string): string {
  if (state === 'sign in') return 'The office asks you to sign in again.';
  if (refused > 0) return 'The office refused something. It is under Sending.';
  if (waiting === 0) return 'All is sent.';
  if (state === 'no network') return 'Kept on this phone. There is no network.';
  if (state === 'office away') return 'Kept on this phone. The office does not answer.';
  return state === 'sending' ? 'Sending.' : 'Kept on this phone.';
}
