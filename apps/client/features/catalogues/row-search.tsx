import {
  isOurList,
  rowFinder,
  sayCode,
  sayFields,
  type Catalogue,
  type CatalogueRow,
} from '@ant-trail/core/catalogues';
import { useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { Body, Figure } from '@/design/text.tsx';

const SHOWN = 8;

export interface RowSearchProps {
  /** What is looked for, as the question says it. */
  readonly label: string;
  readonly catalogue: Catalogue;
  readonly onChoose: (row: CatalogueRow) => void;
  /** Keeps what was typed as it is; left out where only the catalogue counts. */
  readonly onOwnWords?: (words: string) => void;
}

const sayRows = ({ key, name, rows }: Catalogue): string => {
  const count = rows.length.toLocaleString('en');
  if (isOurList(key)) return `${count} to choose from`;
  return `${name} has ${count} ${rows.length === 1 ? 'row' : 'rows'}`;
};

/** Looks rows of a catalogue up while words are typed: thousands of them, with no network. */
export function RowSearch({ label, catalogue, onChoose, onOwnWords }: RowSearchProps) {
  const [text, setText] = useState('');
  const find = useMemo(() => rowFinder(catalogue.rows), [catalogue]);
  const typed = useDeferredValue(text);
  const found = useMemo(() => find(typed, SHOWN + 1), [find, typed]);
  const own = text.trim();
  const searching = own !== '';
  const whole = useRef<HTMLElement>(null);
  useEffect(() => {
    // What is found must not lie under the bar or the keyboard.
    if (searching) whole.current?.scrollIntoView({ block: 'start' });
  }, [searching]);
  return (
    <Column gap="$1" ref={whole as never} style={{ scrollMarginTop: 48 }}>
      <Input
        label={label}
        hideLabel
        value={text}
        onChange={setText}
        help={`Type a few letters: ${sayRows(catalogue)}.`}
        onEnter={() => {
          const [only, ...more] = find(own, 2);
          if (own && only && more.length === 0) onChoose(only);
        }}
      />
      <Column role="list" aria-label="Rows found">
        {found.slice(0, SHOWN).map((row) => (
          <Column key={row.code} role="listitem" borderBottomWidth={1} borderColor="$rule">
            <PressableRow
              paddingVertical="$2"
              justifyContent="center"
              onPress={() => onChoose(row)}
            >
              <Body strong>{row.label}</Body>
              <Figure tiny quiet numberOfLines={2}>
                {[sayCode(catalogue.key, row), sayFields(catalogue, row)]
                  .filter(Boolean)
                  .join(' · ')}
              </Figure>
            </PressableRow>
          </Column>
        ))}
      </Column>
      {found.length > SHOWN ? (
        <Body small quiet>
          There are more. Type another letter or word.
        </Body>
      ) : null}
      {found.length === 0 ? (
        <Body small quiet role="status">
          {isOurList(catalogue.key)
            ? 'Nothing here is called that.'
            : `Nothing in ${catalogue.name} is called that.`}
        </Body>
      ) : null}
      {onOwnWords && own ? (
        <Button dense onPress={() => onOwnWords(own)}>
          Keep “{own}” as written
        </Button>
      ) : null}
    </Column>
  );
}
