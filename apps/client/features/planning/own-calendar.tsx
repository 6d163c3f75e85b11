import { CalendarLink, CalendarLinkMade } from '@ant-trail/contract/planning/calendar';
import { useEffect, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { Body, Heading } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';

/** The link under which a calendar program reads one's own visits. */
export function OwnCalendar() {
  const [isThere, setThere] = useState<boolean | null>(null);
  const [link, setLink] = useState<string | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  useEffect(() => {
    ask(CalendarLink, 'GET', '/api/me/calendar').then(
      ({ since }) => setThere(since !== null),
      // With no network there is nothing to be done about it here.
      () => setThere(null),
    );
  }, []);
  const tell = async (work: () => Promise<void>): Promise<void> => {
    try {
      setSaid(null);
      await work();
    } catch (error) {
      setSaid(wordsFor(error));
    }
  };
  const make = (): Promise<void> =>
    tell(async () => {
      const { path } = await ask(CalendarLinkMade, 'POST', '/api/me/calendar');
      setLink(new URL(path, location.origin).href);
      setThere(true);
    });
  const drop = (): Promise<void> =>
    tell(async () => {
      await ask(CalendarLink, 'POST', '/api/me/calendar/removal');
      setLink(null);
      setThere(false);
    });
  const copy = (): Promise<void> =>
    tell(async () => {
      await navigator.clipboard.writeText(link ?? '');
      setSaid('Copied.');
    });
  if (isThere === null) return null;
  return (
    <Column gap="$2">
      <Heading>Your visits in your calendar</Heading>
      {link ? (
        <>
          <Input
            label="Give this address to your calendar"
            value={link}
            onChange={() => undefined}
          />
          <Body small quiet>
            Whoever has it can read your visits. It is shown this once.
          </Body>
        </>
      ) : null}
      <Row gap="$2" flexWrap="wrap">
        {link ? <Button onPress={copy}>Copy it</Button> : null}
        <Button onPress={make}>{isThere ? 'Make a new address' : 'Make an address'}</Button>
        {isThere ? <Button onPress={drop}>Take it back</Button> : null}
      </Row>
      {said ? (
        <Body small role="status">
          {said}
        </Body>
      ) : null}
    </Column>
  );
}
