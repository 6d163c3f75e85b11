import { PersonSaved, type Person } from '@ant-trail/contract/accounts';
import { useState } from 'react';
import { Button } from '@/design/button.tsx';
import { Body } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';

export interface InviteTogetherProps {
  readonly people: readonly Person[];
  readonly onDone: () => void;
}

/** Sends several people their way in, one after the other; who has one already is passed over. */
export function InviteTogether({ people, onDone }: InviteTogetherProps) {
  const [said, setSaid] = useState<string | null>(null);
  const waiting = people.filter(({ joined, retired }) => !joined && !retired);
  const invite = async (): Promise<void> => {
    for (const [index, { id, name }] of waiting.entries()) {
      setSaid(`Inviting ${index + 1} of ${waiting.length} …`);
      try {
        const { invited } = await ask(PersonSaved, 'POST', `/api/people/${id}/invitation`);
        if (!invited) return setSaid(`The letter to ${name} could not be sent. Try again.`);
      } catch (error) {
        return setSaid(`${name}: ${wordsFor(error)}`);
      }
    }
    setSaid(null);
    onDone();
  };
  return (
    <>
      <Button dense disabled={waiting.length === 0} onPress={invite}>
        {waiting.length === 0 ? 'All of them have a way in' : `Invite ${waiting.length}`}
      </Button>
      {said ? (
        <Body small role="status">
          {said}
        </Body>
      ) : null}
    </>
  );
}
