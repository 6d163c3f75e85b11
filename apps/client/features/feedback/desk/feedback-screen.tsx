import { FeedbackAnswer, type Feedback } from '@ant-trail/contract/feedback';
import { useState } from 'react';
import { Column, Row, Rule } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { DeskPage } from '@/design/desk-page.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { sayPast } from '@/design/say-day.ts';
import { Body } from '@/design/text.tsx';
import { useOfficeList } from '@/device/office.ts';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { Picture } from '@/features/media/picture.tsx';

const ASKED = {};
const ABOUT = ['feedback'] as const;

/** What people told about the application, the newest first. */
export function FeedbackScreen() {
  const { organisation } = useMe();
  const people = usePeople();
  const list = useOfficeList(FeedbackAnswer, '/api/feedback', ASKED, ABOUT);
  const [looking, setLooking] = useState<Feedback | null>(null);
  return (
    <DeskPage title="What people told" problem={list.problem}>
      <Column>
        {list.total === 0 ? (
          <Body quiet>
            Nobody told anything yet. “Me” has “Tell the office”, on phones and here.
          </Body>
        ) : null}
        {list.rows.map((told) => (
          <Column key={told.id} gap="$2" paddingVertical="$3">
            <Body>{told.words}</Body>
            <Row gap="$3" flexWrap="wrap">
              <Body small quiet flex={1} minWidth={260}>
                {people.name(told.by)}, {sayPast(told.at, organisation.timeZone)} · {told.screen} ·
                version {told.version}
              </Body>
              {told.picture ? (
                <Button dense onPress={() => setLooking(told)}>
                  Look at the screen
                </Button>
              ) : null}
            </Row>
            <Rule />
          </Column>
        ))}
        {list.more ? (
          <Row>
            <Button dense onPress={list.more}>
              Earlier ones
            </Button>
          </Row>
        ) : null}
      </Column>
      {looking?.picture ? (
        <Dialog title="The screen as it was" onClose={() => setLooking(null)} width={900} easy>
          <Column height="calc(100dvh - 160px)">
            <Picture src={`/api/media/${looking.picture}`} alt={looking.words} />
          </Column>
          <Body tiny quiet>
            {looking.device}
          </Body>
        </Dialog>
      ) : null}
    </DeskPage>
  );
}
