import type { VisitEvent } from '@ant-trail/contract/planning';
import type { Site } from '@ant-trail/contract/sites';
import { judgePresence, type Fix, type Presence } from '@ant-trail/core/geo';
import { newId } from '@/device/identity.ts';
import type { LocalStore } from '@/device/local-store.ts';
import { doHere } from '@/features/sync/outbox.ts';

interface Step {
  readonly visit: string;
  readonly by: string;
  readonly kind: VisitEvent['kind'];
  readonly fix?: Fix | null;
  readonly presence?: Presence | null;
  readonly reason?: string;
}

/** Records a step of a visit on this phone and queues it, both or neither. */
export async function recordStep(store: LocalStore, step: Step): Promise<void> {
  const event: VisitEvent = {
    id: newId(),
    visit: step.visit,
    kind: step.kind,
    by: step.by,
    at: new Date().toISOString(),
    fix: step.fix ?? null,
    distance: step.presence ? Math.round(step.presence.distance) : null,
    ...(step.reason ? { reason: step.reason } : {}),
  };
  await doHere(store, { kind: 'visit event', body: event });
}

export const presenceAt = (site: Site, fix: Fix | null): Presence | null =>
  fix ? judgePresence(site, fix) : null;
