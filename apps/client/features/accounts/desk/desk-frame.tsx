import { QueueAnswer } from '@ant-trail/contract/review';
import { may } from '@ant-trail/core/accounts';
import { styled, View } from '@tamagui/core';
import { usePathname, useRouter } from 'expo-router';
import { useEffect, useState, type ReactNode } from 'react';
import { Brand } from '@/design/brand.tsx';
import { Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { SkipLink } from '@/design/skip-link.tsx';
import { Body, Figure } from '@/design/text.tsx';
import { OfficeHere } from '@/device/office-here.ts';
import { listenToOffice, useOffice } from '@/device/office.ts';
import { DESK_PLACES } from './desk-places.ts';
import { LapsedNotice } from '../lapsed-notice.tsx';
import { useMe } from '../session.ts';
import { Palette } from './palette.tsx';
import { OwnDialog } from './own-dialog.tsx';

const Place = styled(View, {
  flexDirection: 'row',
  gap: 6,
  minHeight: 44,
  paddingHorizontal: 10,
  alignItems: 'center',
  borderBottomWidth: 3,
  borderColor: 'transparent',
  style: { textDecoration: 'none' },
  variants: { here: { true: { borderColor: '$trail' } } } as const,
});

/** The desk's one line of navigation, and what lies under it. */
export function DeskFrame({ children }: { children: ReactNode }) {
  const here = usePathname();
  const router = useRouter();
  const [finding, setFinding] = useState(false);
  const [own, setOwn] = useState(false);
  const { person } = useMe();
  const mine = may(person.roles, 'review') ? `&reader=${person.id}` : '';
  const { answer } = useOffice(QueueAnswer, `/api/review?most=1${mine}`, ['visit', 'sheet']);
  const waiting = answer?.total ?? 0;
  useEffect(() => listenToOffice(), []);
  useEffect(() => {
    const open = (event: KeyboardEvent): void => {
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
        event.preventDefault();
        setFinding(true);
      }
    };
    // Fields keep their keys to themselves: this one is heard on its way down.
    addEventListener('keydown', open, true);
    return () => removeEventListener('keydown', open, true);
  }, []);
  return (
    <View
      flex={1}
      height="100%"
      width="100%"
      minWidth={0}
      backgroundColor="$paper"
      className="desk-frame"
    >
      <SkipLink />
      <Row
        render="header"
        className="desk-head"
        backgroundColor="$sheet"
        borderBottomWidth={1}
        borderColor="$rule"
        paddingHorizontal="$4"
        minHeight={56}
        gap="$3"
      >
        <Brand />
        <Row render="nav" aria-label="Places" flex={1}>
          {DESK_PLACES.map(({ href, word }) => {
            const isHere = here.startsWith(href);
            return (
              <Place
                key={href}
                render={<a href={href} />}
                here={isHere}
                aria-current={isHere ? 'page' : undefined}
                onPress={(event) => {
                  event.preventDefault();
                  router.navigate(href);
                }}
              >
                <Body small strong={isHere}>
                  {word}
                </Body>
                {href === '/review' && waiting > 0 ? (
                  <Figure small strong eyes>
                    {waiting}
                  </Figure>
                ) : null}
              </Place>
            );
          })}
        </Row>
        <Row gap="$2">
          <Button dense onPress={() => setFinding(true)} shortcut="Ctrl K">
            Find
          </Button>
          <Button dense plain onPress={() => setOwn(true)}>
            Me
          </Button>
        </Row>
      </Row>
      <View flex={1} minHeight={0} className="desk-body">
        <LapsedNotice />
        <OfficeHere value={useOffice}>{children}</OfficeHere>
      </View>
      {finding ? <Palette onClose={() => setFinding(false)} /> : null}
      {own ? <OwnDialog onClose={() => setOwn(false)} /> : null}
    </View>
  );
}
