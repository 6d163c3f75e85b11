import type { DocumentVersion } from '@ant-trail/contract/documents';

const KB = 1_000;
const MB = 1_000_000;

/** As “1.2 MB”. */
export function sayBytes(bytes: number): string {
  if (bytes < MB) return `${Math.max(1, Math.round(bytes / KB))} kB`;
  return `${(bytes / MB).toFixed(bytes < 10 * MB ? 1 : 0)} MB`;
}

/** As “PDF, 1.2 MB”. */
export const sayFile = ({ type, bytes }: Pick<DocumentVersion, 'type' | 'bytes'>): string =>
  `${type === 'application/pdf' ? 'PDF' : 'picture'}, ${sayBytes(bytes)}`;
