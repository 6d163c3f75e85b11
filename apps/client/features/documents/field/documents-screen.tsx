import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Column, Row, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { FieldFoot, FieldHead, FieldPage } from '@/design/field-frame.tsx';
import { Input } from '@/design/input.tsx';
import { Body, Title } from '@/design/text.tsx';
import { useLive } from '@/device/use-live.ts';
import { FieldNav } from '@/features/sync/field/field-nav.tsx';
import { usePhone } from '@/features/sync/phone.tsx';
import { sayBytes } from '../say-file.ts';
import { DocumentLines } from './document-lines.tsx';

/** Without words those on this phone are shown; with words, so many of all there are. */
const MOST_SHOWN = 40;

/** Documents on this phone, with the room they take, and any other that is looked for. */
export function DocumentsScreen() {
  const { store } = usePhone();
  const router = useRouter();
  const [words, setWords] = useState('');
  const found = useLive(async () => {
    const files = await store.documentFiles.toArray();
    const all = await store.documents.toArray();
    const here = new Set(files.map(({ document }) => document));
    return {
      all: all.sort((a, b) => a.name.localeCompare(b.name)),
      here,
      bytes: files.reduce((sum, file) => sum + file.bytes.size, 0),
    };
  }, [store]);
  const wanted = words.trim().toLowerCase().split(/\s+/).filter(Boolean);
  const fitting = (found?.all ?? []).filter(({ id, name, note }) =>
    wanted.length === 0
      ? found?.here.has(id)
      : wanted.every((word) => `${name} ${note}`.toLowerCase().includes(word)),
  );
  return (
    <FieldPage title="Documents">
      <FieldHead>
        <Row className="to-hand" justifyContent="space-between" gap="$2">
          <Title>Documents</Title>
          <Button plain dense onPress={() => router.navigate('/find')}>
            ‹ Find
          </Button>
        </Row>
        <Body small quiet>
          {found ? sayRoom(found.here.size, found.bytes) : ''}
        </Body>
      </FieldHead>
      <Scroll render="main" id="main">
        <Column padding="$4" gap="$3">
          <Input label="Find a document" value={words} onChange={setWords} />
          <DocumentLines documents={fitting.slice(0, MOST_SHOWN)} />
          {found && fitting.length === 0 ? (
            <Body quiet>
              {wanted.length > 0
                ? 'No document is called that.'
                : 'What is about the work on your trail comes here by itself.'}
            </Body>
          ) : null}
          {fitting.length > MOST_SHOWN ? (
            <Body small quiet>
              {fitting.length - MOST_SHOWN} more: write another word.
            </Body>
          ) : null}
        </Column>
      </Scroll>
      <FieldFoot>
        <FieldNav />
      </FieldFoot>
    </FieldPage>
  );
}

const sayRoom = (count: number, bytes: number): string =>
  count === 0
    ? 'None is kept on this phone.'
    : `${count === 1 ? 'One is' : `${count} are`} kept on this phone and ${count === 1 ? 'takes' : 'take'} ${sayBytes(bytes)}.`;
