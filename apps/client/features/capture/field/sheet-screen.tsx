import { blanksIn, sayPercent, type SheetState } from '@ant-trail/core/sheet';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { memo, useCallback, useDeferredValue, useEffect, useRef, useState } from 'react';
import { useStore } from 'zustand';
import { ActionBar } from '@/design/action-bar.tsx';
import { Column, Row, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { FieldFoot, FieldHead, FieldPage } from '@/design/field-frame.tsx';
import { useThreeSides, useTwoSides } from '@/design/sides.ts';
import { Notice } from '@/design/notice.tsx';
import { Body, Heading } from '@/design/text.tsx';
import { useHoldStill } from '@/device/hold-still.ts';
import { useMe } from '@/features/accounts/session.ts';
import { usePhone } from '@/features/sync/phone.tsx';
import { Reckoned } from '@/features/trades/reckoned.tsx';
import { SheetSessionContext, useSheetSession, useSheetState } from '../session/sheet-context.tsx';
import { openSession, type SheetSession } from '../session/sheet-session.ts';
import { BeginWith } from './begin-with.tsx';
import { BesideSheet } from './beside-sheet.tsx';
import { CloseOut } from './close-out.tsx';
import { FinishDialog } from './finish-dialog.tsx';
import { TakeSection } from './offered.tsx';
import { PartOfKit } from './part-of-kit.tsx';
import { SectionList } from './section-list.tsx';
import { SectionQuestions } from './section-questions.tsx';
import { TakenNotice } from './taken-notice.tsx';
import { SectionTrail } from './section-trail.tsx';
import { useStraightThrough } from './straight-through.ts';

/** A sheet being filled in, from what is kept on the phone alone. */
export function SheetScreen() {
  useHoldStill();
  const { id } = useLocalSearchParams<{ id: string }>();
  const { store, engine } = usePhone();
  const { person } = useMe();
  const router = useRouter();
  const [session, setSession] = useState<SheetSession | null | undefined>();
  const [trouble, setTrouble] = useState<{ readonly error: unknown } | null>(null);
  useEffect(() => {
    let opened: SheetSession | null = null;
    let closed = false;
    openSession(store, id, person.id, engine.soon).then(
      (found) => {
        if (closed) found?.close();
        else setSession((opened = found));
      },
      (error: unknown) => {
        if (!closed) setTrouble({ error });
      },
    );
    return () => {
      closed = true;
      opened?.close();
    };
  }, [store, engine, id, person.id]);
  // For the boundary around the screen: a sheet that can't be opened is not one that is not here.
  if (trouble) throw trouble.error;
  if (session === null)
    return (
      <FieldPage>
        <Column padding="$4" gap="$3">
          <Heading>This sheet is not on your phone</Heading>
          <Body quiet>It may have been given to somebody else.</Body>
          <Button onPress={() => router.navigate('/trail')}>Back to the trail</Button>
        </Column>
      </FieldPage>
    );
  return session ? (
    <SheetSessionContext.Provider value={session}>
      <OpenedSheet />
    </SheetSessionContext.Provider>
  ) : (
    <FieldPage />
  );
}

/**
 * A question follows its own answer at once; the page around it, and what the answer reveals,
 * follow as soon as the phone has a moment, so that nothing holds up what was pressed.
 */
function OpenedSheet() {
  return <SheetPage state={useDeferredValue(useSheetState())} />;
}

const SheetPage = memo(function SheetPage({ state }: { state: SheetState }) {
  const session = useSheetSession();
  const { site, own, thing } = session.context;
  const trouble = useStore(session.trouble, ({ words }) => words);
  const router = useRouter();
  const [chosen, setChosen] = useState<string | null>(null);
  const [finishing, setFinishing] = useState(false);
  const sections = state.sections.filter((section) => section.questions.length > 0);
  const firstOpen = sections.find((section) => section.looseEnds.length > 0);
  const [start] = useState(firstOpen?.section.id ?? sections[0]?.section.id);
  const here = sections.find((s) => s.section.id === (chosen ?? start)) ?? sections[0];
  const index = here ? sections.indexOf(here) : 0;
  const following = sections[index + 1];
  const locked = state.stage === 'finished' || state.stage === 'approved';
  const loose = state.looseEnds;
  const waits = here !== undefined && state.waiting.includes(here.section.id);
  const blocking = sections.find((section) => section.looseEnds.length > 0);
  const blanks = here ? blanksIn(here.questions) : [];

  const heading = useRef<HTMLElement>(null);
  const twoSides = useTwoSides();
  const threeSides = useThreeSides();
  const go = useCallback((section: string): void => {
    setChosen(section);
    // From the top, also where the page scrolls as a whole; and whoever hears the page hears where it is.
    const main = document.getElementById('main');
    main?.scrollTo({ top: 0 });
    main?.closest('.field-page')?.scrollTo({ top: 0 });
    heading.current?.focus({ preventScroll: true });
  }, []);
  const readThrough = useCallback(() => setFinishing(true), []);
  useStraightThrough({ onSection: go, onEnd: readThrough });
  const seek = (path: string): void => {
    const [top] = path.split('/');
    const section = sections.find(({ questions }) => questions.some((each) => each.path === top));
    if (section) setChosen(section.section.id);
    session.seek(path);
  };
  const nextLooseEnd = (): void => {
    const [end] = session.state.getState().looseEnds;
    if (!end) return;
    setChosen(end.section);
    session.seek(end.key);
  };
  return (
    <FieldPage title={`${thing ?? site.name}, ${own.title}`} wide={twoSides}>
      <FieldHead borderBottomWidth={1} borderColor="$rule" backgroundColor="$sheet">
        <Row className="to-hand" justifyContent="space-between" gap="$2">
          <Body render="h1" margin={0} strong fontSize="$4" lineHeight="$4" flex={1}>
            {thing ?? site.name} · {own.title.toLowerCase()}
          </Body>
          <Button plain dense onPress={() => router.navigate('/trail')}>
            ‹ Trail
          </Button>
        </Row>
        {twoSides ? null : (
          <SectionTrail sections={sections} here={here?.section.id ?? ''} onGo={go} />
        )}
        <Row justifyContent="space-between">
          <Body render="h2" margin={0} small strong ref={heading as never} tabIndex={-1}>
            {here?.section.title}, {here?.answered} of {here?.asked}
          </Body>
          <Body small quiet>
            {typeof state.score?.percent === 'number'
              ? `${sayPercent(state.score.percent)} · `
              : ''}
            {loose.length === 0
              ? 'nothing missing'
              : `${loose.length} ${loose.length === 1 ? 'loose end' : 'loose ends'} in all`}
          </Body>
        </Row>
      </FieldHead>
      {state.reckoned.length > 0 ? (
        <Column padding="$3" borderBottomWidth={1} borderColor="$rule">
          <Reckoned results={state.reckoned} />
        </Column>
      ) : null}
      {trouble ? (
        <Notice tone="eyes" mark="needs eyes" alert>
          {trouble}
        </Notice>
      ) : null}
      <TakenNotice />
      <Row className="sides" flex={1} minHeight={0} alignItems="stretch">
        {twoSides ? (
          <SectionList sections={sections} here={here?.section.id ?? ''} onGo={go} />
        ) : null}
        <Scroll render="main" id="main">
          {state.stage === 'returned' ? (
            <Notice tone="info" mark="returned">
              Returned to you: “{state.stageEntry?.reason}”
            </Notice>
          ) : null}
          {locked ? (
            <Notice tone="info" mark={state.stage === 'approved' ? 'approved' : 'finished'}>
              {state.stage === 'approved'
                ? 'Approved by the office.'
                : 'Finished. The office reads it next.'}
            </Notice>
          ) : null}
          {waits ? (
            <Notice tone="info" mark="planned">
              {blocking?.section.title} comes first: {blocking?.looseEnds[0]?.words}.
            </Notice>
          ) : null}
          {index === 0 && !locked ? <BeginWith /> : null}
          {here ? (
            <PartOfKit
              state={state}
              section={here.section.id}
              isFirst={index === 0}
              locked={locked || waits}
              seek={seek}
            />
          ) : null}
          {here && !locked && !waits ? <TakeSection questions={here.questions} /> : null}
          {here ? (
            <SectionQuestions
              section={here.section.id}
              paths={here.questions.map(({ path }) => path)}
              locked={locked || waits}
            />
          ) : null}
          {blanks.length > 1 && !locked && !waits ? (
            <Row padding="$4">
              <CloseOut blanks={blanks} where={here?.section.title ?? 'this section'} />
            </Row>
          ) : null}
          {following ? (
            <Row padding="$4">
              <Button onPress={() => go(following.section.id)}>
                On to: {following.section.title}
              </Button>
            </Row>
          ) : null}
        </Scroll>
        {threeSides ? <BesideSheet /> : null}
      </Row>
      <FieldFoot>
        {locked ? (
          <ActionBar words="Back to the trail" onPress={() => router.navigate('/trail')} />
        ) : loose.length > 0 ? (
          <ActionBar words="Next loose end" count={loose.length} onPress={nextLooseEnd} />
        ) : (
          <ActionBar words="Finish" onPress={() => setFinishing(true)} />
        )}
      </FieldFoot>
      {finishing ? (
        <FinishDialog
          onClose={() => setFinishing(false)}
          onEdit={(section, key) => {
            setFinishing(false);
            setChosen(section);
            session.seek(key);
          }}
        />
      ) : null}
    </FieldPage>
  );
});
