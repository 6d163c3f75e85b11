import {
  CataloguesAnswer,
  KeptCatalogue,
  type CatalogueSummary,
} from '@ant-trail/contract/catalogues';
import { fieldOf, type CatalogueRow } from '@ant-trail/core/catalogues';
import { useState } from 'react';
import { Column, Row, Rule } from '@/design/box.tsx';
import { Button, OutsideLink } from '@/design/button.tsx';
import { DeskPage } from '@/design/desk-page.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { sayPast } from '@/design/say-day.ts';
import { Body, Figure } from '@/design/text.tsx';
import { useOffice } from '@/device/office.ts';
import { useMe } from '@/features/accounts/session.ts';
import { RowSearch } from '../row-search.tsx';
import { ImportDialog } from './import-dialog.tsx';

/** The lists answers are looked up in: what is in them, and how a newer one comes in. */
export function CataloguesScreen() {
  const { organisation } = useMe();
  const { answer, problem, again } = useOffice(CataloguesAnswer, '/api/catalogues');
  const [opened, setOpened] = useState<string | null>(null);
  const [importing, setImporting] = useState<CatalogueSummary | 'new' | null>(null);
  const catalogues = answer?.catalogues ?? [];
  return (
    <DeskPage
      title="Catalogues"
      problem={problem}
      about={<Body quiet>{answer ? `${catalogues.length} kept, on every phone` : ''}</Body>}
      actions={
        <Button main dense onPress={() => setImporting('new')}>
          Import a catalogue
        </Button>
      }
    >
      <Column>
        {catalogues.map((each) => (
          <Column key={each.id}>
            <Rule />
            <Row gap="$4" flexWrap="wrap" paddingVertical="$1">
              <Column flex={1} minWidth={260}>
                <PressableRow
                  paddingVertical="$2"
                  justifyContent="center"
                  onPress={() => setOpened(each.id)}
                >
                  <Row columnGap="$4" flexWrap="wrap">
                    <Body strong width={220}>
                      {each.name}
                    </Body>
                    <Figure small width={120}>
                      {each.rows.toLocaleString('en')} rows
                    </Figure>
                    <Body small quiet>
                      imported {sayPast(each.importedAt, organisation.timeZone)}
                      {each.number > 1 ? `, edition ${each.number}` : ''}
                    </Body>
                  </Row>
                </PressableRow>
              </Column>
              <Button dense onPress={() => setImporting(each)} label={`Import anew: ${each.name}`}>
                Import anew
              </Button>
            </Row>
          </Column>
        ))}
        {answer && catalogues.length === 0 ? (
          <Body quiet>
            No catalogue yet. Import a list from a spreadsheet: one row for each thing, its name in
            one column.
          </Body>
        ) : null}
      </Column>
      {opened ? <CatalogueDialog id={opened} onClose={() => setOpened(null)} /> : null}
      {importing ? (
        <ImportDialog
          onto={importing === 'new' ? null : importing}
          taken={new Set(catalogues.map(({ key }) => key))}
          onClose={() => setImporting(null)}
          onDone={() => {
            setImporting(null);
            again();
          }}
        />
      ) : null}
    </DeskPage>
  );
}

/** A catalogue as phones look it up, and the way out as a file. */
function CatalogueDialog({ id, onClose }: { id: string; onClose: () => void }) {
  const { answer } = useOffice(KeptCatalogue, `/api/catalogues/${id}`);
  const [row, setRow] = useState<CatalogueRow | null>(null);
  return (
    <Dialog title={answer?.name ?? 'Catalogue'} onClose={onClose} width={640} easy>
      {answer ? (
        <Column gap="$3">
          <Body small quiet>
            Questions name it <Figure small>{answer.key}</Figure>. Rules read its columns:{' '}
            {['row', 'label', ...answer.columns.map(({ key }) => key)].join(', ')}.
          </Body>
          <RowSearch label="Look a row up" catalogue={answer} onChoose={setRow} />
          {row ? (
            <Column gap="$1">
              <Body strong>{row.label}</Body>
              <Figure small>code {row.code}</Figure>
              {answer.columns.map(({ key, label }) => (
                <Figure small key={key}>
                  {label} {fieldOf(row.fields, key) ?? '–'}
                </Figure>
              ))}
            </Column>
          ) : null}
          <Row gap="$2">
            <OutsideLink href={`/api/catalogues/${id}/rows.xlsx`}>Save as XLSX</OutsideLink>
            <OutsideLink href={`/api/catalogues/${id}/rows.csv`}>Save as CSV</OutsideLink>
          </Row>
        </Column>
      ) : null}
    </Dialog>
  );
}
