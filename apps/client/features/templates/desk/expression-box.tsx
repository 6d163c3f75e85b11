import {
  acceptCompletion,
  autocompletion,
  completionKeymap,
  snippetCompletion,
  type Completion,
  type CompletionContext,
  type CompletionResult,
} from '@codemirror/autocomplete';
import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { EditorState, type Extension } from '@codemirror/state';
import { EditorView, keymap } from '@codemirror/view';
import { useEffect, useRef } from 'react';
import type { Offer } from './expression-offers.ts';

export interface ExpressionBoxProps {
  readonly label: string;
  readonly value: string;
  readonly offers: readonly Offer[];
  readonly onChange: (value: string) => void;
}

/** An expression being written: one line that wraps, with what fits offered where one writes. */
export function ExpressionBox({ label, value, offers, onChange }: ExpressionBoxProps) {
  const place = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView | null>(null);
  const latest = useRef({ offers, onChange });
  useEffect(() => {
    latest.current = { offers, onChange };
  });
  const first = useRef(value);
  useEffect(() => {
    const parent = place.current;
    if (!parent) return undefined;
    const made = new EditorView({
      parent,
      state: EditorState.create({
        doc: first.current,
        extensions: [
          ...FIXED,
          EditorView.contentAttributes.of({ 'aria-label': label, 'aria-multiline': 'false' }),
          autocompletion({
            icons: false,
            override: [(context) => complete(context, latest.current.offers)],
          }),
          EditorView.updateListener.of((update) => {
            if (update.docChanged) latest.current.onChange(update.state.doc.toString());
          }),
        ],
      }),
    });
    view.current = made;
    return () => made.destroy();
  }, [label]);
  useEffect(() => {
    const doc = view.current?.state.doc.toString();
    first.current = value;
    if (view.current && doc !== value)
      view.current.dispatch({ changes: { from: 0, to: doc?.length ?? 0, insert: value } });
  }, [value]);
  return <div ref={place} className="expression" />;
}

/** An expression has no lines: what is pasted with some is one. */
const oneLine = EditorState.transactionFilter.of((transaction) => {
  if (transaction.newDoc.lines <= 1) return transaction;
  const insert = transaction.newDoc
    .toString()
    .replaceAll(/\s*\n\s*/g, ' ')
    .trim();
  return { changes: { from: 0, to: transaction.startState.doc.length, insert } };
});

const FIXED: Extension[] = [
  history(),
  oneLine,
  EditorView.lineWrapping,
  // Tab leaves the field, as it leaves every other.
  keymap.of([
    { key: 'Ctrl-Enter', run: acceptCompletion },
    ...completionKeymap,
    ...historyKeymap,
    ...defaultKeymap.filter(({ key }) => key !== 'Enter' && key !== 'Mod-Enter'),
  ]),
];

const WORD = /[A-Za-z_]\w*$/;

/** What begins like the word before the cursor; questions are found by their words too. */
function complete(context: CompletionContext, offers: readonly Offer[]): CompletionResult | null {
  const before = context.matchBefore(WORD);
  const word = before?.text.toLowerCase() ?? '';
  if (word.length < 2 && !context.explicit) return null;
  // Inside of quotes stands an answer, and no name.
  const line = context.state.sliceDoc(0, context.pos);
  if ((line.match(/"/g)?.length ?? 0) % 2 === 1) return null;
  const fits = offers.filter(
    ({ name, words }) =>
      name.toLowerCase().startsWith(word) || (words ?? '').toLowerCase().includes(word),
  );
  const options = fits.filter(({ name }) => name.toLowerCase() !== word).map(asCompletion);
  return options.length > 0 ? { from: before?.from ?? context.pos, options, filter: false } : null;
}

function asCompletion({ name, usage, about }: Offer): Completion {
  if (!usage) return { label: name, detail: about };
  // What it takes is filled in one after the other.
  const snippet = usage.replace(/\(([^)]*)\)/, (_, takes: string) => {
    const places = takes.split(',').map((each) => `\${${each.trim().replaceAll(/[{}$"]/g, '')}}`);
    return `(${takes.trim() === '' ? '' : places.join(', ')})`;
  });
  return snippetCompletion(snippet, { label: usage, detail: about });
}
