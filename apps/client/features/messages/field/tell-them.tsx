import type { Told } from '@ant-trail/contract/messages';
import type { Site } from '@ant-trail/contract/sites';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { sayWhen } from '@/design/say-day.ts';
import { Body } from '@/design/text.tsx';
import { newId } from '@/device/identity.ts';
import { useLive } from '@/device/use-live.ts';
import { useMe } from '@/features/accounts/session.ts';
import { doHere } from '@/features/sync/outbox.ts';
import { usePhone } from '@/features/sync/phone.tsx';

export interface TellThemProps {
  readonly visit: string;
  readonly site: Site;
  /** Estimates how long it takes from where the phone is. */
  readonly minutesAway: () => Promise<number>;
}

/** What became of a word, in a sentence. */
function sayTold({ to, at, there, outcome }: Told, timeZone: string): string {
  const when = `there about ${sayWhen(there, timeZone)}`;
  if (outcome === 'too late') return `${to} was not told: it would have come too late.`;
  if (outcome === 'waiting') return `${to} is told as soon as there is a network: ${when}.`;
  return `${to} was told at ${sayWhen(at, timeZone)}: ${when}. Sent.`;
}

/** One tap tells whoever is at the place when somebody will be there. */
export function TellThem({ visit, site, minutesAway }: TellThemProps) {
  const { store, engine } = usePhone();
  const { person, organisation } = useMe();
  const [busy, setBusy] = useState(false);
  const told = useLive(() => store.told.where('visit').equals(visit).sortBy('at'), [store, visit]);
  const contact = site.contacts.find(({ phone, email }) => phone || email);
  const last = told?.at(-1);
  if (!contact || !told) return null;
  const tell = async (): Promise<void> => {
    setBusy(true);
    const minutes = Math.min(720, Math.max(0, Math.round(await minutesAway())));
    const { name, phone, email } = contact;
    await doHere(store, {
      kind: 'on the way',
      body: {
        ...{ id: newId(), visit, to: { name, phone, email }, minutes, by: person.id },
        at: new Date().toISOString(),
      },
    });
    engine.soon();
    setBusy(false);
  };
  return (
    <Column gap="$2">
      {last ? (
        <Body small role="status">
          {sayTold(last, organisation.timeZone)}
        </Body>
      ) : null}
      <Button disabled={busy} onPress={tell}>
        {busy
          ? 'Looking where you are …'
          : last
            ? `Tell ${contact.name} again`
            : `Tell ${contact.name} you are on the way`}
      </Button>
    </Column>
  );
}
