import { MailAnswer, TroubledAnswer, type MailMessage } from '@ant-trail/contract/reports';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { Column, Row, Rule } from '@/design/box.tsx';
import { Button, OutsideLink } from '@/design/button.tsx';
import { DeskPage } from '@/design/desk-page.tsx';
import { Notice } from '@/design/notice.tsx';
import { sayWhen } from '@/design/say-day.ts';
import { Body, Figure } from '@/design/text.tsx';
import { tell, wordsFor } from '@/device/api.ts';
import { useOffice, useOfficeList } from '@/device/office.ts';
import { useMe } from '@/features/accounts/session.ts';
import { TextFilter } from '@/features/lists/desk/text-filter.tsx';

/** What went out by mail. Here a stand-in takes it; nothing leaves this machine. */
export function SentScreen() {
  const { text } = useLocalSearchParams<{ text?: string }>();
  const router = useRouter();
  const query: Readonly<Record<string, string>> = text ? { text } : {};
  const { rows, total, problem, more } = useOfficeList(MailAnswer, '/api/mail', query, ['mail']);
  return (
    <DeskPage
      title="Sent"
      about={
        <Body quiet>
          {total === undefined ? '' : total === 1 ? 'One letter. ' : `${total} letters. `}A stand-in
          keeps them; nothing leaves this machine.
        </Body>
      }
      problem={problem}
    >
      <Troubled />
      <TextFilter
        label="Subject, words or address"
        query={query}
        onChange={(to) => router.setParams(to)}
      />
      {total === 0 ? (
        <Body quiet>
          {text
            ? 'No letter fits what you wrote.'
            : 'Nothing was sent yet. Approve a sheet, and its report goes to the job’s recipients.'}
        </Body>
      ) : null}
      <Column>
        {rows.map((message) => (
          <Message key={message.id} message={message} />
        ))}
      </Column>
      {more ? (
        <Row>
          <Button onPress={more}>Show older ones</Button>
        </Row>
      ) : null}
    </DeskPage>
  );
}

/** Reports of approved sheets that could not be made or sent: nobody else would notice. */
function Troubled() {
  const { answer, again } = useOffice(TroubledAnswer, '/api/reports/troubled');
  const [tried, setTried] = useState<ReadonlySet<string>>(new Set());
  const [problem, setProblem] = useState<string | null>(null);
  const tryAgain = async (sheet: string): Promise<void> => {
    try {
      await tell('POST', `/api/sheets/${sheet}/report/tries`);
      setTried(new Set([...tried, sheet]));
      again();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  if (!answer || answer.reports.length === 0) return null;
  return (
    <Column gap="$2" role="group" aria-label="Reports that did not go out">
      {answer.reports.map(({ sheet, site, title, trouble }) => (
        <Notice key={sheet} tone="eyes" mark="needs eyes">
          {site}, {title}: the report did not go out. {trouble}
          <Row gap="$2" paddingTop="$2">
            <Button dense onPress={() => tryAgain(sheet)} disabled={tried.has(sheet)}>
              {tried.has(sheet) ? 'Being tried again' : 'Try again'}
            </Button>
          </Row>
        </Notice>
      ))}
      {problem ? (
        <Body small eyes strong role="alert">
          {problem}
        </Body>
      ) : null}
    </Column>
  );
}

function Message({ message }: { message: MailMessage }) {
  const { organisation } = useMe();
  return (
    <Column>
      <Rule />
      <Row gap="$4" paddingVertical="$3" alignItems="flex-start" flexWrap="wrap">
        <Column width={120}>
          <Figure small>{sayWhen(message.receivedAt, organisation.timeZone)}</Figure>
        </Column>
        <Column flex={1} minWidth={280}>
          <Body strong>{message.subject}</Body>
          <Body small quiet>
            to {message.to.join(', ')}
          </Body>
          <Body small>{message.text}</Body>
        </Column>
        {message.attachments.map((file) => (
          <Row key={file.index} width={240}>
            <OutsideLink
              href={`/api/mail/${message.id}/attachments/${file.index}`}
              label={`Open ${file.name}`}
            >
              Open, {Math.max(1, Math.round(file.bytes / 1024))} kB
            </OutsideLink>
          </Row>
        ))}
      </Row>
    </Column>
  );
}
