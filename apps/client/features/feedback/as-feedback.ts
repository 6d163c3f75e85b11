import type { Feedback } from '@ant-trail/contract/feedback';
import { timeOrderedId } from '@ant-trail/core/log';
import { officeTime } from '@/device/clock.ts';
import { VERSION } from '@/device/version.ts';
import type { Told } from './telling-bar.tsx';

/** What was told, as the office keeps it. */
export function asFeedback({ words, picture, screen }: Told, by: string): Feedback {
  const now = officeTime();
  return {
    id: timeOrderedId(now.getTime(), crypto.getRandomValues(new Uint8Array(16))),
    ...{ words, picture: picture?.value.sha256 ?? null, screen, version: VERSION, by },
    ...{ device: navigator.userAgent.slice(0, 300), at: now.toISOString() },
  };
}
