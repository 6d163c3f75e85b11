import { MailAnswer, type MailMessage } from '@ant-trail/contract/reports';
import { Column, Row, Rule } from '@/design/box.tsx';
import { OutsideLink } from '@/design/button.tsx';
import { DeskPage } from '@/design/desk-page.tsx';
import { Body, Figure } from '@/design/text.tsx';
import { useOffice } from '@/device/office.ts';
import { useMe } from '@/features/accounts/session.ts';
import { sayWhen } from '@/features/planning/wording.ts';

/** What went out by mail. Here a stand-in takes it; nothing leaves this machine. */
export function SentScreen() {
  const { answer, problem } = useOffice(MailAnswer, '/api/mail');
  return (
    <DeskPage
      title="Sent"
      about={
        <Body quiet>Reports by mail. A stand-in keeps them here; nothing leaves this machine.</Body>
      }
      problem={problem}
    >
      {answer?.messages.length === 0 ? (
        <Body quiet>
          Nothing was sent yet. Approve a sheet, and its report goes to the job’s recipients.
        </Body>
      ) : null}
      <Column>
        {answer?.messages.map((message) => (
          <Message key={message.id} message={message} />
        ))}
      </Column>
    </DeskPage>
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
