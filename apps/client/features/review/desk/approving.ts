import type { EntryDraft } from '@ant-trail/core/log';
import { create } from 'zustand';
import { wordsFor } from '@/device/api.ts';
import { DeskRefusal, writeFromDesk } from '@/features/capture/desk/desk-entries.ts';

/** So long an approval can be taken back before it goes out. */
export const TAKE_BACK_MS = 6_000;

interface Given {
  readonly sheet: string;
  /** What was approved, as the person knows it. */
  readonly name: string;
  readonly draft: EntryDraft;
  readonly onSent: () => void;
}

interface Approving {
  readonly given: Given | null;
  /** Why the last one was refused, with what it was about. */
  readonly refused: { readonly sheet: string; readonly words: string } | null;
}

/** The approval that was given last and has not gone out yet. */
export const useApproving = create<Approving>(() => ({ given: null, refused: null }));

let timer: ReturnType<typeof setTimeout> | undefined;

/** Gives an approval; one given before goes out now. */
export function giveApproval(given: Given): void {
  void sendApproval();
  useApproving.setState({ given, refused: null });
  timer = setTimeout(() => void sendApproval(), TAKE_BACK_MS);
}

/** Takes it back: it never happened. */
export function takeApprovalBack(): void {
  clearTimeout(timer);
  useApproving.setState({ given: null });
}

/** Sends what was given, at once. */
export async function sendApproval(): Promise<void> {
  const { given } = useApproving.getState();
  clearTimeout(timer);
  if (!given) return;
  useApproving.setState({ given: null });
  try {
    await writeFromDesk(given.draft);
  } catch (error) {
    const words = error instanceof DeskRefusal ? error.message : wordsFor(error);
    useApproving.setState({ refused: { sheet: given.sheet, words: `${given.name}: ${words}` } });
  }
  given.onSent();
}

// Whoever leaves the page has decided. The earlier of the two leaves it more time.
for (const leaving of ['beforeunload', 'pagehide'])
  globalThis.addEventListener?.(leaving, () => void sendApproval());
