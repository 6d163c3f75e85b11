import { Message } from '@ant-trail/contract/messages';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { newId } from '@/device/identity.ts';
import { useMe } from '@/features/accounts/session.ts';
import { WriteLine } from '../write-line.tsx';

export interface WriteAboutStopProps {
  readonly visit: string;
  readonly person: string;
  readonly name: string;
}

/** Writes to whoever has a stop, about it. */
export function WriteAboutStop({ visit, person, name }: WriteAboutStopProps) {
  const { person: me } = useMe();
  const [step, setStep] = useState<'closed' | 'open' | 'sent'>('closed');
  if (person === me.id) return null;
  const send = async (text: string): Promise<string | null> => {
    try {
      await ask(Message, 'POST', '/api/messages', {
        ...{ id: newId(), person, visit, text, by: me.id, at: new Date().toISOString() },
      });
      setStep('sent');
      return null;
    } catch (error) {
      return wordsFor(error);
    }
  };
  return (
    <Column gap="$2">
      {step === 'sent' ? (
        <Body small role="status">
          Sent to {name}. It is read on their phone, and under “Messages” you see when.
        </Body>
      ) : null}
      {step === 'open' ? (
        <WriteLine label={`To ${name}, about this stop`} button="Send" onSend={send} />
      ) : (
        <Button onPress={() => setStep('open')}>{`Write to ${name}`}</Button>
      )}
    </Column>
  );
}
