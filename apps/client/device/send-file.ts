import { Problem } from '@ant-trail/contract/common';
import type { DetailedError } from 'tus-js-client';
import { askingHeaders, noteRefusal, Refused, Unreachable } from './api.ts';

const CHUNK = 256 * 1024;

export interface SentFile {
  readonly bytes: Blob;
  readonly sha256: string;
  readonly type: string;
  /** Where a begun upload goes on. */
  readonly uploadUrl: string | null;
  readonly onUploadUrl?: (url: string | null) => void;
  /** How much has gone out, from 0 to 1. */
  readonly onSent?: (share: number) => void;
}

/** Sends a file to the office; the sender is loaded with the first one. Throws what the office says, or that it can't be reached. */
export async function sendFile(file: SentFile): Promise<void> {
  const tus = await import('tus-js-client');
  return new Promise((resolve, reject) => {
    const sending = new tus.Upload(file.bytes, {
      endpoint: '/uploads',
      uploadUrl: file.uploadUrl,
      chunkSize: CHUNK,
      retryDelays: [],
      storeFingerprintForResuming: false,
      headers: askingHeaders(),
      metadata: { sha256: file.sha256, filetype: file.type },
      onUploadUrlAvailable: () => file.onUploadUrl?.(sending.url),
      onProgress: (sent, all) => file.onSent?.(all > 0 ? sent / all : 0),
      onSuccess: () => resolve(),
      onError: (error) =>
        reject(error instanceof tus.DetailedError ? refusalIn(error) : new Unreachable()),
    });
    sending.start();
  });
}

/** What the office said; where nobody answered, or somebody on the way, it was not reached. */
function refusalIn({ originalResponse }: DetailedError): Error {
  const status = originalResponse?.getStatus() ?? 0;
  const read = Problem.safeParse(parsed(originalResponse?.getBody() ?? ''));
  if (!read.success)
    return status === 0 ? new Unreachable() : new Error(`something on the way said ${status}`);
  const refused = new Refused(status, read.data);
  noteRefusal(refused);
  return refused;
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
