import {
  DocumentDetails,
  OfficeDocument,
  type DocumentVersion,
} from '@ant-trail/contract/documents';
import { may } from '@ant-trail/core/accounts';
import { useState } from 'react';
import { Column, Row, Rule } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Mark } from '@/design/mark.tsx';
import { Notice } from '@/design/notice.tsx';
import { sayDatedDay, sayWhen } from '@/design/say-day.ts';
import { Body, Heading } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { useOffice } from '@/device/office.ts';
import { usePeople } from '@/features/accounts/desk/use-people.ts';
import { useMe } from '@/features/accounts/session.ts';
import { sayFile } from '../say-file.ts';
import { LinksField } from './links-field.tsx';
import { LookAt } from './look-at.tsx';
import { PickFile } from './pick-file.tsx';
import type { ChosenFile } from './send-document.ts';

export interface DocumentDialogProps {
  readonly id: string;
  readonly onClose: () => void;
}

/** A document: its versions, which of them counts, and what it is about. */
export function DocumentDialog({ id, onClose }: DocumentDialogProps) {
  const { answer } = useOffice(DocumentDetails, `/api/documents/${id}`, ['document']);
  const [looking, setLooking] = useState<DocumentVersion | null>(null);
  return (
    <>
      <Dialog title={answer?.document.name ?? 'A document'} onClose={onClose} width={680}>
        {answer ? (
          <Column gap="$3">
            <Versions details={answer} onLook={setLooking} />
            <About key={answer.document.id} document={answer.document} onDone={onClose} />
          </Column>
        ) : null}
      </Dialog>
      {looking && answer ? (
        <LookAt
          document={id}
          name={answer.document.name}
          version={looking}
          onClose={() => setLooking(null)}
        />
      ) : null}
    </>
  );
}

interface VersionsProps {
  readonly details: DocumentDetails;
  readonly onLook: (version: DocumentVersion) => void;
}

function Versions({ details: { document, versions, counted }, onLook }: VersionsProps) {
  const { person, organisation } = useMe();
  const people = usePeople();
  const keeps = may(person.roles, 'keep documents') && !document.retired;
  const [problem, setProblem] = useState<string | null>(null);
  const sinceOf = (version: string): string | undefined =>
    counted.find((each) => each.version === version)?.since;
  const count = async (version: string): Promise<void> => {
    try {
      await ask(DocumentDetails, 'PUT', `/api/documents/${document.id}/current`, { version });
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  return (
    <Column gap="$2">
      <Heading>Versions</Heading>
      {versions.map((version) => {
        const counts = version.id === document.version.id && !document.retired;
        const since = sinceOf(version.id);
        return (
          <Column key={version.id} gap="$2">
            <Row gap="$3" flexWrap="wrap">
              <Mark name={counts ? 'received' : 'planned'} size={18} silent />
              <Column flex={1} minWidth={220}>
                <Body strong={counts}>
                  Version {version.number}
                  {counts && since ? `, counts since ${sayWhen(since, organisation.timeZone)}` : ''}
                </Body>
                <Body small quiet>
                  {[
                    sayFile(version),
                    `${people.name(version.by)}, ${sayDatedDay(version.at.slice(0, 10))}`,
                    version.note,
                  ]
                    .filter(Boolean)
                    .join(' · ')}
                </Body>
              </Column>
              <Button
                dense
                label={`Look at it: version ${version.number}`}
                onPress={() => onLook(version)}
              >
                Look at it
              </Button>
              {keeps && !counts ? (
                <Button
                  dense
                  label={`Let it count: version ${version.number}`}
                  onPress={() => count(version.id)}
                >
                  Let it count
                </Button>
              ) : null}
            </Row>
            <Rule />
          </Column>
        );
      })}
      {keeps ? <NewVersion document={document.id} /> : null}
      {problem ? (
        <Notice tone="eyes" alert>
          {problem}
        </Notice>
      ) : null}
    </Column>
  );
}

function NewVersion({ document }: { readonly document: string }) {
  const [file, setFile] = useState<ChosenFile | null>(null);
  const [note, setNote] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const add = async (current: boolean): Promise<void> => {
    if (!file) return;
    try {
      await ask(DocumentDetails, 'POST', `/api/documents/${document}/versions`, {
        ...{ ...file, note, current },
      });
      setFile(null);
      setNote('');
      setProblem(null);
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  return (
    <Column gap="$2">
      <Body strong>A newer version</Body>
      <PickFile chosen={file} onChosen={setFile} />
      {file ? (
        <>
          <Input label="What changed" value={note} onChange={setNote} />
          <Row gap="$2">
            <Button dense main onPress={() => add(true)}>
              Add it: it counts from now on
            </Button>
            <Button dense onPress={() => add(false)}>
              Add it, not counting yet
            </Button>
          </Row>
        </>
      ) : null}
      {problem ? (
        <Notice tone="eyes" alert>
          {problem}
        </Notice>
      ) : null}
    </Column>
  );
}

interface AboutProps {
  readonly document: OfficeDocument;
  readonly onDone: () => void;
}

function About({ document, onDone }: AboutProps) {
  const { person } = useMe();
  const [name, setName] = useState(document.name);
  const [note, setNote] = useState(document.note);
  const [links, setLinks] = useState<OfficeDocument['links']>(document.links);
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async (path: string, body: object): Promise<void> => {
    try {
      await ask(OfficeDocument, 'PUT', `/api/documents/${document.id}${path}`, body);
      onDone();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  if (!may(person.roles, 'keep documents')) return null;
  return (
    <Column gap="$3">
      <Input label="What it is called" value={name} onChange={setName} />
      <Input label="What is in it" value={note} onChange={setNote} />
      <LinksField links={links} onChange={(next) => setLinks([...next])} />
      {problem ? (
        <Notice tone="eyes" alert>
          {problem}
        </Notice>
      ) : null}
      <Row gap="$2" flexWrap="wrap">
        <Button main onPress={() => keep('', { name, note, links })}>
          Save
        </Button>
        <Button onPress={() => keep('/retired', { retired: !document.retired })}>
          {document.retired ? 'Take into use again' : 'Retire: it counts no more'}
        </Button>
      </Row>
    </Column>
  );
}
