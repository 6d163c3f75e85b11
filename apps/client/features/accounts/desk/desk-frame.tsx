import { QueueAnswer } from '@ant-trail/contract/review';
import { may } from '@ant-trail/core/accounts';
import { View } from '@tamagui/core';
import { useEffect, useState, type ReactNode } from 'react';
import { Brand } from '@/design/brand.tsx';
import { Row } from '@/design/box.tsx';
import { useTwoSides } from '@/design/sides.ts';
import { SkipLink } from '@/design/skip-link.tsx';
import { useCommandKey } from '@/design/use-command-key.ts';
import { OfficeHere } from '@/device/office-here.ts';
import { listenToOffice, useOffice } from '@/device/office.ts';
import { DeskNav } from './desk-nav.tsx';
import { LapsedNotice } from '../lapsed-notice.tsx';
import { useMe } from '../session.ts';
import { Palette } from './palette.tsx';
import { OwnDialog } from './own-dialog.tsx';

export interface DeskFrameProps {
  readonly children: ReactNode;
  /** What else somebody can do from what is their own, which closes then. */
  readonly own: (close: () => void) => ReactNode;
}

/** The desk's one line of navigation, and what lies under it. */
export function DeskFrame({ children, own: ownMore }: DeskFrameProps) {
  const twoSides = useTwoSides();
  const [finding, setFinding] = useState(false);
  const [own, setOwn] = useState(false);
  const { person } = useMe();
  const mine = may(person.roles, 'review') ? `&reader=${person.id}` : '';
  const { answer } = useOffice(QueueAnswer, `/api/review?most=1${mine}`, ['visit', 'sheet']);
  const waiting = answer?.total ?? 0;
  useEffect(() => listenToOffice(), []);
  useCommandKey('mod+k', () => setFinding(true));
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
        {/* A phone has room for the places alone. */}
        {twoSides ? <Brand /> : null}
        <DeskNav waiting={waiting} onFind={() => setFinding(true)} onMe={() => setOwn(true)} />
      </Row>
      <View flex={1} minHeight={0} className="desk-body">
        <LapsedNotice />
        <OfficeHere value={useOffice}>{children}</OfficeHere>
      </View>
      {finding ? <Palette onClose={() => setFinding(false)} /> : null}
      {own ? (
        <OwnDialog onClose={() => setOwn(false)}>{ownMore(() => setOwn(false))}</OwnDialog>
      ) : null}
    </View>
  );
}
