import { isOurList, lookedUp, sayCode, sayFields } from '@ant-trail/core/catalogues';
import { isLookup } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Body, Figure } from '@/design/text.tsx';
import { useList } from '@/features/catalogues/field/use-list.ts';
import { RowSearch } from '@/features/catalogues/row-search.tsx';
import { usePhone } from '@/features/sync/phone.tsx';
import { useAnswer, useSheetSession, type PartProps } from '../session/sheet-context.tsx';
import { DraftInput } from './draft-input.tsx';

/** A thing of a catalogue: found by typing, or written by hand where the template allows it. */
export function LookupPart({ state, locked }: PartProps) {
  const give = useAnswer(state);
  const { store } = usePhone();
  const { question } = state;
  const { catalogue: key, somethingElse = false } =
    question.kind === 'lookup' ? question : { catalogue: '' };
  const { site } = useSheetSession().context;
  const list = useList(store, key, site.id);
  // What has no rows can't be looked in: an own list may well be empty at a new place.
  const catalogue = list && isOurList(key) && list.rows.length === 0 ? null : list;
  const [changing, setChanging] = useState(false);
  const kept = isLookup(state.answer?.value) ? state.answer.value : null;
  const ownWords = (text: string): Promise<string | null> =>
    give(text.trim() ? { catalogue: key, row: '', label: text.trim(), fields: {} } : null);
  const choose = (value: Parameters<typeof give>[0]): void => {
    setChanging(false);
    void give(value);
  };
  if (catalogue === undefined) return null;
  if (catalogue === null && kept === null)
    return somethingElse ? (
      <DraftInput label={question.label} hideLabel locked={locked} kept="" keep={ownWords} />
    ) : (
      <Body small quiet>
        {isOurList(key)
          ? 'The office knows of none here.'
          : 'The catalogue is not on this phone yet. It comes with the next sync.'}
      </Body>
    );
  if (kept && !changing)
    return (
      <Row className="to-hand" gap="$3" justifyContent="space-between">
        <Column flex={1}>
          <Body strong>{kept.label}</Body>
          <Figure small quiet>
            {kept.row === ''
              ? `written by hand${isOurList(key) ? '' : ', not in the catalogue'}`
              : [sayCode(key, { code: kept.row, label: kept.label }), sayFields(catalogue, kept)]
                  .filter(Boolean)
                  .join(' · ')}
          </Figure>
        </Column>
        {locked ? null : (
          <Button dense onPress={() => setChanging(true)} label={`Change ${question.label}`}>
            Change
          </Button>
        )}
      </Row>
    );
  if (locked) return null;
  return (
    <Column gap="$2">
      {catalogue ? (
        <RowSearch
          label={question.label}
          catalogue={catalogue}
          onChoose={(row) => choose(lookedUp(key, row))}
          {...(somethingElse
            ? { onOwnWords: (words: string) => void ownWords(words).then(() => setChanging(false)) }
            : {})}
        />
      ) : (
        <DraftInput
          label={question.label}
          hideLabel
          locked={false}
          kept={kept?.label ?? ''}
          keep={ownWords}
        />
      )}
      {kept ? (
        <Row gap="$2">
          <Button dense onPress={() => setChanging(false)}>
            Leave it as it was
          </Button>
          <Button dense plain onPress={() => choose(null)}>
            Take it away
          </Button>
        </Row>
      ) : null}
    </Column>
  );
}
