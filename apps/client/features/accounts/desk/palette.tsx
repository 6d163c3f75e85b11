import { SitesAnswer } from '@ant-trail/contract/sites';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { Body } from '@/design/text.tsx';
import { useOfficeSearch } from '@/device/office.ts';
import { DESK_PLACES } from './desk-places.ts';

interface Way {
  readonly words: string;
  readonly href: string;
}

const DOINGS: readonly Way[] = [
  ...DESK_PLACES.map(({ href, word }) => ({ href, words: `Go to ${word}` })),
  { href: '/day?new=job', words: 'Make a new job' },
  { href: '/places?new=place', words: 'Add a place' },
  { href: '/people?new=person', words: 'Add a person' },
];
const SHOWN = 9;

/** Everything by name: where to go and what to do, from the keyboard. */
export function Palette({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const [text, setText] = useState('');
  const { answer } = useOfficeSearch(
    SitesAnswer,
    `/api/sites?${new URLSearchParams({ most: String(SHOWN), within: 'name', text: text.trim() })}`,
    ['site'],
  );
  const wanted = text.trim().toLowerCase();
  const ways: Way[] = [
    ...DOINGS,
    ...(answer?.rows ?? []).map((site) => ({ words: site.name, href: `/places/${site.id}` })),
    // What was found for the words before must not be what Enter leads to.
  ].filter((way) => way.words.toLowerCase().includes(wanted));
  const go = (way: Way | undefined): void => {
    if (!way) return;
    onClose();
    router.navigate(way.href);
  };
  return (
    <Dialog title="Find or do" onClose={onClose} easy>
      <Column gap="$2">
        <Input
          label="Name or thing to do"
          value={text}
          onChange={setText}
          autoFocus
          onEnter={() => go(ways[0])}
        />
        {ways.slice(0, SHOWN).map((way) => (
          <PressableRow
            key={way.href}
            paddingHorizontal="$2"
            justifyContent="center"
            onPress={() => go(way)}
          >
            <Body>{way.words}</Body>
          </PressableRow>
        ))}
        {ways.length === 0 ? <Body quiet>Nothing is called that.</Body> : null}
      </Column>
    </Dialog>
  );
}
