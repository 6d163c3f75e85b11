import { RecordsMailing, type SheetRecord } from '@ant-trail/contract/records';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Body } from '@/design/text.tsx';
import { fetchFile, tell, wordsFor } from '@/device/api.ts';
import { saveFile } from '@/device/save-file.ts';

export interface TakeTogetherProps {
  readonly records: readonly SheetRecord[];
  readonly onDone: () => void;
}

/** Reports of several sheets in one file are drawn one after the other. */
const MOST = 20;

/** What can be done with several records: their reports printed, or sent. */
export function TakeTogether({ records, onDone }: TakeTogetherProps) {
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState<string | null>(null);
  const [mailing, setMailing] = useState(false);
  const [to, setTo] = useState('');
  const [words, setWords] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const sheets = records.map(({ id }) => id);
  const print = async (): Promise<void> => {
    setBusy(true);
    setSaid('Drawing the reports …');
    try {
      saveFile(await fetchFile('/api/records/reports', { sheets }), 'Reports.pdf');
      setSaid(null);
    } catch (error) {
      setSaid(wordsFor(error));
    }
    setBusy(false);
  };
  const send = async (): Promise<void> => {
    const read = RecordsMailing.safeParse({
      sheets,
      to: to.split(/[,;\s]+/).filter(Boolean),
      words,
    });
    if (!read.success) return setProblem(read.error.issues[0]?.message ?? 'Look at the addresses.');
    setBusy(true);
    try {
      await tell('POST', '/api/records/mailing', read.data);
      setMailing(false);
      onDone();
    } catch (error) {
      setProblem(wordsFor(error));
    }
    setBusy(false);
  };
  if (records.length > MOST)
    return (
      <Body small quiet>
        At most {MOST} reports are printed or sent at once. “Save as a table” takes all that is
        shown.
      </Body>
    );
  return (
    <>
      <Button dense disabled={busy} onPress={print}>
        Reports in one file
      </Button>
      <Button dense disabled={busy} onPress={() => setMailing(true)}>
        Send the reports
      </Button>
      {said ? (
        <Body small role="status">
          {said}
        </Body>
      ) : null}
      {mailing ? (
        <Dialog
          title={sheets.length === 1 ? 'Send one report' : `Send ${sheets.length} reports`}
          onClose={() => setMailing(false)}
          width={460}
        >
          <Column gap="$3">
            <Input
              label="To (e-mail, separated by commas)"
              value={to}
              onChange={setTo}
              problem={problem ?? undefined}
            />
            <Input label="Words that go with it" lines={3} value={words} onChange={setWords} />
            <Button main disabled={busy} onPress={send}>
              {busy ? 'Sending …' : 'Send'}
            </Button>
          </Column>
        </Dialog>
      ) : null}
    </>
  );
}
