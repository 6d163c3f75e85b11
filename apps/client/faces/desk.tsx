import { may } from '@ant-trail/core/accounts';
import * as core from '@dnd-kit/core';
import * as sortable from '@dnd-kit/sortable';
import { Redirect, Slot, useRouter } from 'expo-router';
import { Button } from '@/design/button.tsx';
import { bringDragging } from '@/design/dragging.ts';
import { FaceProvider } from '@/design/face.tsx';
import { TroubleBoundary } from '@/design/trouble-boundary.tsx';
import { DeskFrame } from '@/features/accounts/desk/desk-frame.tsx';
import { PeopleScreen } from '@/features/accounts/desk/people-screen.tsx';
import { useSession, worksAtDesk } from '@/features/accounts/session.ts';
import { ActionsScreen } from '@/features/actions/desk/actions-screen.tsx';
import { BeforehandScreen } from '@/features/capture/desk/beforehand-screen.tsx';
import { CataloguesScreen } from '@/features/catalogues/desk/catalogues-screen.tsx';
import { DocumentsScreen } from '@/features/documents/desk/documents-screen.tsx';
import { FeedbackScreen } from '@/features/feedback/desk/feedback-screen.tsx';
import { TellFromDesk } from '@/features/feedback/desk/tell-from-desk.tsx';
import { beginTelling } from '@/features/feedback/telling.ts';
import { BoardMap } from '@/features/maps/desk/board-map.tsx';
import { MapScreen } from '@/features/maps/desk/map-screen.tsx';
import { MessagesScreen } from '@/features/messages/desk/messages-screen.tsx';
import { ClientRulesButton } from '@/features/planning/desk/client-rules.tsx';
import { DayScreen } from '@/features/planning/desk/day-screen.tsx';
import { MakeMany } from '@/features/planning/desk/make-many.tsx';
import { JobsScreen } from '@/features/planning/desk/jobs-screen.tsx';
import { OwnCalendar } from '@/features/planning/own-calendar.tsx';
import { RecordsScreen } from '@/features/records/desk/records-screen.tsx';
import { RoundScreen } from '@/features/rounds/desk/round-screen.tsx';
import { RoundsScreen } from '@/features/rounds/desk/rounds-screen.tsx';
import { SentScreen } from '@/features/reports/desk/sent-screen.tsx';
import { ReviewScreen } from '@/features/review/desk/review-screen.tsx';
import { ClientsScreen } from '@/features/sites/desk/clients-screen.tsx';
import { StartsAt } from '@/features/sites/desk/starts-at.tsx';
import { PlacesScreen, type PlacesScreenProps } from '@/features/sites/desk/places-screen.tsx';
import { PlaceScreen } from '@/features/story/desk/place-screen.tsx';
import { ThingsScreen } from '@/features/story/desk/things-screen.tsx';
import { TemplatesScreen } from '@/features/templates/desk/templates-screen.tsx';
import { HoursScreen } from '@/features/timesheet/desk/hours-screen.tsx';

bringDragging({ core, sortable });

type AtPlaces = Parameters<PlacesScreenProps['Together']>[0];
const JobsThere = ({ sites, onDone }: AtPlaces) => (
  <MakeMany at={sites.map(({ id }) => ({ site: id, asset: null }))} onDone={onDone} />
);
const Places = () => <PlacesScreen Together={JobsThere} />;
const Day = () => <DayScreen Map={BoardMap} />;
const Clients = () => <ClientsScreen Rules={ClientRulesButton} />;
const People = () => <PeopleScreen StartsAt={StartsAt} />;

const SCREENS = {
  day: Day,
  review: ReviewScreen,
  actions: ActionsScreen,
  places: Places,
  clients: Clients,
  place: PlaceScreen,
  map: MapScreen,
  records: RecordsScreen,
  things: ThingsScreen,
  templates: TemplatesScreen,
  catalogues: CataloguesScreen,
  documents: DocumentsScreen,
  feedback: FeedbackScreen,
  jobs: JobsScreen,
  rounds: RoundsScreen,
  round: RoundScreen,
  beforehand: BeforehandScreen,
  people: People,
  sent: SentScreen,
  hours: HoursScreen,
  messages: MessagesScreen,
};

/** What is told about the application, and what others told. */
function OwnMore({ onDone }: { readonly onDone: () => void }) {
  const router = useRouter();
  const me = useSession((state) => state.me);
  const tell = (): void => {
    onDone();
    beginTelling();
  };
  const read = (): void => {
    onDone();
    router.navigate('/feedback');
  };
  return (
    <>
      {me && may(me.person.roles, 'walk') ? <OwnCalendar /> : null}
      <Button onPress={tell}>Tell the office what is wrong here</Button>
      {me && may(me.person.roles, 'keep people') ? (
        <Button onPress={read}>What people told</Button>
      ) : null}
    </>
  );
}

export default function DeskFace() {
  const me = useSession((state) => state.me);
  if (!me) return <Redirect href="/sign-in" />;
  if (!worksAtDesk(me)) return <Redirect href="/trail" />;
  return (
    <FaceProvider value={SCREENS}>
      <DeskFrame own={(close) => <OwnMore onDone={close} />}>
        <TellFromDesk />
        <TroubleBoundary comfort="What was saved is with the office. What you were writing here may have to be written again.">
          <Slot />
        </TroubleBoundary>
      </DeskFrame>
    </FaceProvider>
  );
}
