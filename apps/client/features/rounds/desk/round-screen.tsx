import { RoundDetails } from '@ant-trail/contract/rounds';
import { useLocalSearchParams } from 'expo-router';
import { DeskPage } from '@/design/desk-page.tsx';
import { Body } from '@/design/text.tsx';
import { useOffice } from '@/device/office.ts';
import { RoundForm } from './round-form.tsx';

/** A round: what it is, when it is walked, and what came of it. */
export function RoundScreen() {
  const { round: id } = useLocalSearchParams<{ round: string }>();
  const isNew = id === 'new';
  const { answer, problem } = useOffice(RoundDetails, isNew ? null : `/api/rounds/${id}`, [
    ...(['round', 'visit'] as const),
  ]);
  if (isNew) return <RoundForm key="new" details={null} />;
  if (answer) return <RoundForm key={id} details={answer} />;
  return (
    <DeskPage title="Round" problem={problem}>
      {problem ? null : <Body quiet>One moment …</Body>}
    </DeskPage>
  );
}
