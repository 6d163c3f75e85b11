import type { Settings } from '@ant-trail/contract/accounts';
import { Column } from '@/design/box.tsx';
import { Segments } from '@/design/choose.tsx';
import { Body, Heading } from '@/design/text.tsx';
import { useSettings } from '@/device/settings.ts';

type Key = keyof Settings;

export interface SettingChoice<Of extends Key = Key> {
  readonly key: Of;
  readonly title: string;
  readonly options: readonly { readonly value: Settings[Of]; readonly label: string }[];
  readonly help?: string;
}

const choice = <Of extends Key>(of: SettingChoice<Of>): SettingChoice => of;

export const LOOKS = choice({
  key: 'theme',
  title: 'How it looks',
  options: [
    { value: 'as the phone', label: 'As the device' },
    { value: 'light', label: 'Light' },
    { value: 'dark', label: 'Dark' },
    { value: 'sunlight', label: 'Sun' },
  ],
  help: '“Sun” has the highest contrast.',
});

export const LETTERS = choice({
  key: 'letters',
  title: 'Letters',
  options: [
    { value: 'usual', label: 'Usual' },
    { value: 'large', label: 'Large' },
    { value: 'largest', label: 'Largest' },
  ],
  help: 'On top of the size set in the device.',
});

export const UNITS = choice({
  key: 'units',
  title: 'Units',
  options: [
    { value: 'SI', label: 'SI' },
    { value: 'US', label: 'US customary' },
  ],
  help: 'Where a question can be entered in both. What was entered stays as it is.',
});

export const HAND = choice({
  key: 'hand',
  title: 'Hand',
  options: [
    { value: 'right', label: 'Right' },
    { value: 'left', label: 'Left' },
  ],
  help: 'What is pressed stands on the side of this hand.',
});

export const GOING_ON = choice({
  key: 'goingOn',
  title: 'Going on',
  options: [
    { value: 'by itself', label: 'By itself' },
    { value: 'by hand', label: 'By hand' },
  ],
  help: 'By itself, what comes next is before you as soon as you have pressed an answer: the next question, the next section, and at the end everything to read through.',
});

export const PHOTOS = choice({
  key: 'photosOver',
  title: 'Photos and documents go over',
  options: [
    { value: 'any network', label: 'Any network' },
    { value: 'Wi-Fi alone', label: 'Wi-Fi alone' },
  ],
  help: 'Answers go out over any network. Where the phone does not tell which it is, photos do too.',
});

export const KEYS = choice({
  key: 'singleKeys',
  title: 'Single keys',
  options: [
    { value: 'on', label: 'On' },
    { value: 'off', label: 'Off' },
  ],
  help: 'They do what the buttons say, as A for “Approve”.',
});

/** Settings, each with its few choices; they are the same on any phone and computer of this person. */
export function SettingsFields({ settings }: { readonly settings: readonly SettingChoice[] }) {
  const { values, change } = useSettings();
  return settings.map(({ key, title, options, help }) => (
    <Column key={key} gap="$2">
      <Heading>{title}</Heading>
      <Segments
        label={title}
        options={options}
        chosen={[values[key]]}
        onPress={(value) => change({ [key]: value })}
      />
      {help ? (
        <Body small quiet>
          {help}
        </Body>
      ) : null}
    </Column>
  ));
}
