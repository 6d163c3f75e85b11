import { useTheme } from '@tamagui/core';
import { useCombobox } from 'downshift';
import { useId, useRef } from 'react';
import { Column } from './box.tsx';
import { Body } from './text.tsx';

export interface FindOption {
  readonly value: string;
  readonly label: string;
  /** A second line that tells namesakes apart. */
  readonly about?: string;
}

export interface FindProps {
  readonly label: string;
  /** What is chosen; null for nothing. */
  readonly chosen: FindOption | null;
  /** What fits the words written so far, the best first. */
  readonly options: readonly FindOption[];
  /** The words being written. */
  readonly onWords: (words: string) => void;
  readonly onChoose: (option: FindOption | null) => void;
  /** What the empty field means, such as “Nobody yet”. */
  readonly empty?: string;
  readonly problem?: string | undefined;
  /** How many more fit than are shown. */
  readonly more?: number;
  /** What fits is still being looked for. */
  readonly looking?: boolean;
}

/** The field and what fits below it. */
export function FindBox(props: FindProps) {
  // Downshift hands out properties by calls the compiler must not keep.
  'use no memo';
  const {
    label,
    chosen,
    options,
    onWords,
    onChoose,
    empty = 'Choose …',
    problem,
    more = 0,
    looking = false,
  } = props;
  const theme = useTheme();
  const id = useId();
  // What was chosen a moment ago, before whoever shows this heard of it.
  const picked = useRef<FindOption | null>(null);
  const offers = useRef<HTMLDivElement>(null);
  const box = useCombobox<FindOption>({
    id,
    items: [...options],
    selectedItem: chosen,
    itemToString: (option) => option?.label ?? '',
    itemToKey: (option) => option?.value,
    onInputValueChange: ({ inputValue, type }) => {
      if (type === useCombobox.stateChangeTypes.InputChange) onWords(inputValue);
    },
    onSelectedItemChange: ({ selectedItem }) => {
      picked.current = null;
      onChoose(selectedItem);
    },
    onIsOpenChange: ({ isOpen }) => {
      // Opened anew, all there is to choose from is offered, not only what is chosen already.
      if (isOpen) {
        onWords('');
        // Low in a dialog it would open where nobody sees it.
        requestAnimationFrame(() => offers.current?.scrollIntoView?.({ block: 'nearest' }));
      }
    },
    stateReducer: (state, { type, changes }) => {
      const { InputBlur, InputChange, InputKeyDownEscape, ItemClick, InputKeyDownEnter } =
        useCombobox.stateChangeTypes;
      if (type === ItemClick || type === InputKeyDownEnter)
        picked.current = changes.selectedItem ?? null;
      if (type === InputChange) picked.current = null;
      // The way out closes the list, and takes nothing back.
      if (type === InputKeyDownEscape)
        return {
          ...changes,
          selectedItem: state.selectedItem,
          inputValue: state.selectedItem?.label ?? '',
        };
      // Left with words that are no choice: what was chosen stands, and an emptied field means nothing.
      if (type === InputBlur)
        return {
          ...changes,
          selectedItem: state.inputValue === '' ? null : (picked.current ?? state.selectedItem),
          inputValue:
            state.inputValue === '' ? '' : ((picked.current ?? state.selectedItem)?.label ?? ''),
        };
      return type === InputChange ? { ...changes, highlightedIndex: 0 } : changes;
    },
  });
  return (
    <Column gap="$1" style={{ position: 'relative' }}>
      <Body small strong aria-hidden>
        {label}
      </Body>
      <input
        {...box.getInputProps({
          'aria-label': label,
          onFocus: (event) => event.target.select(),
          onKeyDown: (event) => {
            // With the list closed, the key is the dialog's around it.
            if (event.key === 'Escape' && !box.isOpen)
              Object.assign(event.nativeEvent, { preventDownshiftDefault: true });
          },
        })}
        placeholder={empty}
        className="find"
        aria-invalid={Boolean(problem)}
        aria-describedby={problem ? `${id}-problem` : undefined}
        style={{
          minHeight: 52,
          boxSizing: 'border-box',
          width: '100%',
          padding: '0 14px',
          border: `2px solid ${problem ? theme.clay.get() : theme.sand.get()}`,
          borderRadius: '4px 14px 14px 14px',
          background: theme.sheet.get(),
          color: theme.ink.get(),
          fontFamily: 'Atkinson Hyperlegible Next',
          fontSize: '1.0625rem',
          ...{ '--empty': theme.ink2.get() },
        }}
      />
      <div
        ref={offers}
        style={{
          display: box.isOpen ? 'block' : 'none',
          position: 'absolute',
          top: '100%',
          zIndex: 10,
          marginTop: 4,
          boxSizing: 'border-box',
          width: '100%',
          minWidth: 260,
          background: theme.sheet.get(),
          border: `2px solid ${theme.ink.get()}`,
          borderRadius: '4px 14px 14px 14px',
          overflow: 'hidden',
        }}
      >
        <ul
          {...box.getMenuProps({ 'aria-label': label })}
          style={{ margin: 0, padding: 0, listStyle: 'none', maxHeight: 300, overflowY: 'auto' }}
        >
          {options.map((option, index) => (
            <li
              key={option.value}
              {...box.getItemProps({ item: option, index })}
              style={{
                padding: '10px 14px',
                minHeight: 28,
                cursor: 'pointer',
                background: box.highlightedIndex === index ? theme.touch.get() : 'transparent',
              }}
            >
              <Body strong={option.value === chosen?.value}>{option.label}</Body>
              {option.about ? (
                <Body small quiet>
                  {' '}
                  {option.about}
                </Body>
              ) : null}
            </li>
          ))}
        </ul>
        {options.length === 0 || more > 0 ? (
          <Body small quiet role="status" paddingHorizontal={14} paddingVertical={8}>
            {options.length === 0
              ? looking
                ? 'Looking …'
                : 'Nothing is called that.'
              : `${more} more: write more of the name.`}
          </Body>
        ) : null}
      </div>
      {problem ? (
        <Body small eyes role="alert" id={`${id}-problem`}>
          {problem}
        </Body>
      ) : null}
    </Column>
  );
}
