import { sha256Hex } from '@ant-trail/core/log';
import { sendFile } from '@/device/send-file.ts';

export interface ChosenFile {
  readonly sha256: string;
  readonly file: string;
}

/** The largest file the office takes. */
const MOST_BYTES = 60_000_000;
const ACCEPTED = ['application/pdf', 'image/jpeg', 'image/png', 'image/webp'];
export const ACCEPT = ACCEPTED.join();

/** What is wrong with a file before it is sent; null where nothing is. */
export function problemWithFile({ type, size }: File): string | null {
  if (!ACCEPTED.includes(type)) return 'A document is a PDF or a picture (JPEG, PNG, WebP).';
  if (size === 0) return 'This file is empty.';
  return size > MOST_BYTES ? 'This file is larger than 60 MB. Make it smaller, or split it.' : null;
}

/** Sends a file to the office; it becomes a version once that is asked for. */
export async function sendDocument(
  file: File,
  onSent: (share: number) => void,
): Promise<ChosenFile> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  const sha256 = sha256Hex(bytes);
  await sendFile({ bytes: file, sha256, type: file.type, uploadUrl: null, onSent });
  return { sha256, file: file.name.slice(0, 200) };
}
