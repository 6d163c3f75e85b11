import { hazardsOn } from '@ant-trail/core/planning';
import { Asset, AssetsAnswer } from '@ant-trail/contract/register';
import { Site } from '@ant-trail/contract/sites';
import { Story } from '@ant-trail/contract/story';
import { may } from '@ant-trail/core/accounts';
import { purposesOf, seenFor, servesFor, wayTo } from '@ant-trail/core/register';
import { View } from '@tamagui/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { Column, Row, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Hazards } from '@/design/hazards.tsx';
import { Notice } from '@/design/notice.tsx';
import { Pick } from '@/design/pick.tsx';
import { usePageTitle } from '@/design/page-title.ts';
import { useTwoSides } from '@/design/sides.ts';
import { Body, Heading } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { useOffice } from '@/device/office.ts';
import { useNow } from '@/device/use-now.ts';
import { useMe } from '@/features/accounts/session.ts';
import { ThingDialog } from '@/features/register/desk/thing-dialog.tsx';
import { useKinds } from '@/features/register/desk/use-kinds.ts';
import { MoveThingDialog } from '@/features/sites/desk/move-thing-dialog.tsx';
import { SiteDialog } from '@/features/sites/desk/site-dialog.tsx';
import { LabelsDialog } from '@/features/labels/desk/labels-dialog.tsx';
import { FactsActions, FactsPane } from './facts-pane.tsx';
import { PlacePane } from './place-pane.tsx';
import { StoryPane } from './story-pane.tsx';
import { ThingTree } from './thing-tree.tsx';

type Open = 'place' | 'new' | 'thing' | 'move' | 'labels' | null;

/** One place: what stands there, and the story of whatever is chosen. */
export function PlaceScreen() {
  const { site: id, thing: chosen } = useLocalSearchParams<{ site: string; thing?: string }>();
  const router = useRouter();
  const { person, organisation } = useMe();
  const { day: today } = useNow(organisation.timeZone);
  const twoSides = useTwoSides();
  const kinds = useKinds();
  const [open, setOpen] = useState<Open>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [retired, setRetired] = useState(false);
  const [purpose, setPurpose] = useState('');
  const place = useOffice(Site, `/api/sites/${id}`, ['site']);
  const site = place.answer;
  const register = useOffice(AssetsAnswer, `/api/sites/${id}/assets`, ['asset']);
  const story = useOffice(Story, chosen ? `/api/assets/${chosen}/story` : null, [
    ...(['asset', 'tag', 'sheet', 'action'] as const),
  ]);
  usePageTitle(site?.name ?? 'Place');
  const all = register.answer?.assets ?? [];
  const things = all.filter((thing) => retired || !thing.retired || thing.id === chosen);
  const known = new Map(all.map((thing) => [thing.id, thing]));
  const thing = chosen ? known.get(chosen) : undefined;
  const mayKeep = may(person.roles, 'keep places');
  const again = (): void => {
    register.again();
    story.again();
  };
  const doAndLook = async (work: () => Promise<unknown>): Promise<void> => {
    try {
      await work();
      setProblem(null);
      again();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  const choose = (to: string | undefined): void => router.setParams({ thing: to });
  const move = (moved: Asset, within: string | null): Promise<void> =>
    doAndLook(() => ask(Asset, 'POST', `/api/assets/${moved.id}/move`, { site: id, within }));
  const purposes = purposesOf(all);
  // Somebody else may have taken the last area for it away meanwhile.
  const seenBy = purposes.includes(purpose) ? purpose : '';
  /** Puts a thing into one of the areas for what is looked at, in the place of the one it was in. */
  const belong = (id: string, to: string | null): Promise<void> => {
    const serves = (area: string): boolean => {
      const there = known.get(area);
      return there !== undefined && servesFor(there, seenBy);
    };
    const whole = known.get(id);
    if (!whole || (to !== null && !serves(to))) return Promise.resolve();
    const alsoIn = whole.alsoIn.filter((area) => !serves(area));
    if (to !== null && to !== whole.within) alsoIn.push(to);
    return doAndLook(() => ask(Asset, 'PUT', `/api/assets/${id}`, { alsoIn }));
  };
  const said = problem ?? place.problem ?? register.problem ?? (chosen ? story.problem : null);
  const showTree = twoSides || !chosen;
  return (
    <View flex={1} minHeight={0}>
      <Row flex={1} alignItems="stretch" minHeight={0}>
        {showTree ? (
          <Scroll
            render="nav"
            aria-label="What stands here"
            flex={twoSides ? 0 : 1}
            {...(twoSides ? { width: 310, flexShrink: 0, borderRightWidth: 1 } : {})}
            borderColor="$rule"
          >
            <Column padding="$4" gap="$3">
              <Row>
                <Button dense plain onPress={() => router.navigate('/places')}>
                  ‹ Places
                </Button>
              </Row>
              <Column gap="$1">
                <Heading>{site?.name ?? ''}</Heading>
                <Body small quiet>
                  {[site?.client, site?.number].filter(Boolean).join(' · ')}
                </Body>
              </Column>
              {site ? <Hazards hazards={hazardsOn(site, today)} /> : null}
              {said ? (
                <Notice tone="eyes" alert>
                  {said}
                </Notice>
              ) : null}
              <Row gap="$2" flexWrap="wrap">
                {mayKeep ? (
                  <>
                    <Button dense onPress={() => setOpen('new')}>
                      Add a thing
                    </Button>
                    <Button dense onPress={() => setOpen('place')}>
                      Change the place
                    </Button>
                  </>
                ) : null}
                {chosen ? (
                  <Button dense plain onPress={() => choose(undefined)}>
                    The place itself
                  </Button>
                ) : null}
              </Row>
              {register.answer && all.length === 0 ? (
                <Body small quiet>
                  Nothing is in the register yet. What technicians find on site comes in by itself.
                </Body>
              ) : null}
              {purposes.length > 0 ? (
                <Pick
                  label="Areas"
                  value={seenBy}
                  onChange={setPurpose}
                  options={[
                    { value: '', label: 'all, as things stand' },
                    ...purposes.map((each) => ({ value: each, label: `for ${each}` })),
                  ]}
                />
              ) : null}
              <ThingTree
                key={seenBy}
                label={`What stands at ${site?.name ?? 'the place'}`}
                things={seenBy ? seenFor(things, seenBy) : things}
                chosen={chosen ?? null}
                onChoose={choose}
                {...(seenBy ? { purpose: seenBy } : {})}
                {...(mayKeep && all.length > 0
                  ? {
                      onMove: (what, to) => void (seenBy ? belong(what.id, to) : move(what, to)),
                    }
                  : {})}
              />
              {all.some((each) => each.retired) ? (
                <Row>
                  <Button dense plain onPress={() => setRetired(!retired)}>
                    {retired ? 'Hide what is retired' : 'Show what is retired'}
                  </Button>
                </Row>
              ) : null}
            </Column>
          </Scroll>
        ) : null}
        {chosen && story.answer && story.answer.asset.id === chosen ? (
          <ThingPanes
            story={story.answer}
            kinds={kinds}
            way={thing ? wayTo(thing, known).map(({ name }) => name) : []}
            mayKeep={mayKeep}
            onChanged={again}
            onOpen={setOpen}
            onRetire={(to) =>
              void doAndLook(() => ask(Asset, 'PUT', `/api/assets/${chosen}`, { retired: to }))
            }
            {...(twoSides ? {} : { onBack: () => choose(undefined) })}
          />
        ) : null}
        {!chosen && twoSides && site ? <PlacePane site={site} things={all} /> : null}
      </Row>
      {open === 'place' && site ? (
        <SiteDialog
          site={site}
          onClose={() => setOpen(null)}
          onSaved={(saved) =>
            saved.id === id ? place.again() : router.navigate(`/places/${saved.id}`)
          }
        />
      ) : null}
      {open === 'new' ? (
        <ThingDialog
          site={id}
          thing={null}
          things={all}
          within={thing?.area ? thing.id : (thing?.within ?? null)}
          onClose={() => setOpen(null)}
          onSaved={(saved) => {
            again();
            choose(saved.id);
          }}
        />
      ) : null}
      {open === 'thing' && thing ? (
        <ThingDialog
          site={id}
          thing={thing}
          things={all}
          within={thing.within}
          onClose={() => setOpen(null)}
          onSaved={again}
        />
      ) : null}
      {open === 'move' && thing && site ? (
        <MoveThingDialog
          thing={thing}
          from={site}
          onClose={() => setOpen(null)}
          onMoved={(moved) => {
            again();
            if (moved.site !== id) router.navigate(`/places/${moved.site}?thing=${moved.id}`);
          }}
        />
      ) : null}
      {open === 'labels' && thing ? (
        <LabelsDialog assets={[thing.id]} onClose={() => setOpen(null)} onPrinted={again} />
      ) : null}
    </View>
  );
}

interface ThingPanesProps {
  readonly story: Story;
  readonly kinds: ReturnType<typeof useKinds>;
  readonly way: readonly string[];
  readonly mayKeep: boolean;
  readonly onChanged: () => void;
  readonly onOpen: (open: Open) => void;
  readonly onRetire: (retired: boolean) => void;
  /** Leads back to the tree, where that does not stand beside it. */
  readonly onBack?: () => void;
}

/** The story of a thing, and beside it what is known of it and can be done with it. */
function ThingPanes(props: ThingPanesProps) {
  const { story, kinds, way, mayKeep, onChanged, onOpen, onRetire, onBack } = props;
  const { asset, number } = story;
  const facts = (
    <FactsPane story={story} kinds={kinds} aside={onBack === undefined}>
      {mayKeep ? (
        <FactsActions
          acts={[
            { words: 'Change', onPress: () => onOpen('thing') },
            { words: 'Move', onPress: () => onOpen('move') },
            {
              words: number ? 'Print its label again' : 'Print a label',
              onPress: () => onOpen('labels'),
            },
            {
              words: asset.retired ? 'Take into use again' : 'Retire',
              onPress: () => onRetire(!asset.retired),
            },
          ]}
        />
      ) : null}
    </FactsPane>
  );
  return onBack ? (
    <Scroll render="main" id="main" tabIndex={0} aria-label={asset.name}>
      <Row padding="$2">
        <Button dense plain onPress={onBack}>
          ‹ What stands here
        </Button>
      </Row>
      <StoryPane {...{ story, way, mayKeep, onChanged }} inPage />
      {facts}
    </Scroll>
  ) : (
    <>
      <StoryPane key={asset.id} {...{ story, way, mayKeep, onChanged }} />
      {facts}
    </>
  );
}
