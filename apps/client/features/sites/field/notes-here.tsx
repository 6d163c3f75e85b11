import { lazy, Suspense, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { sayWhen } from '@/design/say-day.ts';
import { Body } from '@/design/text.tsx';
import { useLive } from '@/device/use-live.ts';
import { useMe } from '@/features/accounts/session.ts';
import { usePhone } from '@/features/sync/phone.tsx';

// What is seldom used comes from the phone's own cache.
const LeaveNoteDialog = lazy(async () => {
  const { LeaveNoteDialog: Loaded } = await import('./leave-note-dialog.tsx');
  return { default: Loaded };
});

/** What others left at this place for whoever comes next, the newest first. */
export function NotesHere({ site }: { site: string }) {
  const { store } = usePhone();
  const { organisation } = useMe();
  const [leaving, setLeaving] = useState(false);
  const found = useLive(async () => {
    const notes = await store.siteNotes.where('site').equals(site).toArray();
    const people = new Map((await store.people.toArray()).map(({ id, name }) => [id, name]));
    return notes
      .filter(({ withdrawn }) => !withdrawn)
      .sort((a, b) => (a.id < b.id ? 1 : -1))
      .map((note) => ({ ...note, author: people.get(note.by) ?? 'Somebody' }));
  }, [store, site]);
  if (!found) return null;
  return (
    <>
      {found.length === 0 ? (
        <Body quiet>Nobody left a note.</Body>
      ) : (
        <Column role="list" gap="$3" aria-label="Notes">
          {found.map(({ id, text, author, at }) => (
            <Column key={id} role="listitem">
              <Body>{text}</Body>
              <Body small quiet>
                {author}, {sayWhen(at, organisation.timeZone)}
              </Body>
            </Column>
          ))}
        </Column>
      )}
      <Row>
        <Button dense onPress={() => setLeaving(true)}>
          Leave a note
        </Button>
      </Row>
      {leaving ? (
        <Suspense fallback={null}>
          <LeaveNoteDialog site={site} onClose={() => setLeaving(false)} />
        </Suspense>
      ) : null}
    </>
  );
}
