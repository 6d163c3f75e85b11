import { Theme } from '@tamagui/core';
import { useState } from 'react';
import { ActionBar } from './action-bar.tsx';
import { Column, Leaf, Row, Rule, Scroll } from './box.tsx';
import { Button } from './button.tsx';
import { Lines, Segments } from './choose.tsx';
import { Dots } from './dots.tsx';
import { Input } from './input.tsx';
import { Mark, MARKS, type MarkName } from './mark.tsx';
import { Notice } from './notice.tsx';
import { PALETTES, type ThemeName } from './palettes.ts';
import { Pick } from './pick.tsx';
import { DayField } from './when.tsx';
import { ShownCode } from './short-code.tsx';
import { Sparkline } from './sparkline.tsx';
import { Body, Figure, Heading, Title } from './text.tsx';
import { Tick } from './tick.tsx';

const ANSWERS = [
  { value: 'yes', label: 'Yes' },
  { value: 'no', label: 'No' },
  { value: 'na', label: 'Not applicable' },
];
const POINTS = [58, 57.4, 58.3, 57.9, 58.1, 78.5].map((value, at) => ({
  label: at === 5 ? 'now' : `${10 + at} Nov`,
  value,
  out: value > 65,
}));
const nothing = (): void => undefined;

/** All parts in all themes, side by side, for looking at while developing. */
export function PartsPage() {
  return (
    <Scroll render="main" id="main" height="100%">
      <Row alignItems="stretch" flexWrap="wrap">
        {(Object.keys(PALETTES) as ThemeName[]).map((theme) => (
          <Theme key={theme} name={theme}>
            <Parts theme={theme} />
          </Theme>
        ))}
      </Row>
    </Scroll>
  );
}

function Parts({ theme }: { theme: ThemeName }) {
  const [text, setText] = useState('78.5');
  const [chosen, setChosen] = useState<readonly string[]>(['yes']);
  const [on, setOn] = useState(true);
  return (
    <Column
      flex={1}
      minWidth={390}
      padding="$4"
      gap="$3"
      backgroundColor="$paper"
      render="section"
      aria-label={theme}
    >
      <Title>{theme}</Title>
      <Heading>A heading</Heading>
      <Body>Words as they stand in a sheet.</Body>
      <Body small quiet>
        Quiet words, <Body eyes>words that need eyes</Body>, <Figure>12.5 mm</Figure>
      </Body>
      <Row gap="$2" flexWrap="wrap">
        {(Object.keys(MARKS) as MarkName[]).map((name) => (
          <Row key={name} gap="$1">
            <Mark name={name} silent />
            <Body tiny>{name}</Body>
          </Row>
        ))}
      </Row>
      <Dots />
      <Row gap="$2" flexWrap="wrap">
        <Button main onPress={nothing}>
          Main
        </Button>
        <Button onPress={nothing}>Button</Button>
        <Button dense onPress={nothing}>
          Dense
        </Button>
        <Button dense plain onPress={nothing}>
          Plain
        </Button>
        <Button dense disabled onPress={nothing}>
          Not now
        </Button>
      </Row>
      <Input label="A field" value={text} onChange={setText} help="What it is for." />
      <Input label="A field with a problem" value={text} onChange={setText} problem="Too high." />
      <Row gap="$3">
        <Pick label="One of few" value="yes" options={ANSWERS} onChange={nothing} />
        <DayField label="A day" value="2031-04-05" onChange={nothing} />
      </Row>
      <Segments
        label="One of three"
        options={ANSWERS}
        chosen={[...chosen]}
        onPress={(value) => setChosen([value])}
      />
      <Lines
        label="One a line"
        options={ANSWERS}
        chosen={[...chosen]}
        onPress={(value) => setChosen([value])}
      />
      <Tick label="A tick" on={on} onPress={() => setOn(!on)} />
      <Notice tone="eyes" mark="needs eyes">
        Something that needs eyes.
      </Notice>
      <Notice tone="info" mark="returned">
        Something worth knowing.
      </Notice>
      <Sparkline name="Disc temperature" points={POINTS} range={{ low: 20, high: 65 }} />
      <Leaf padding="$3">
        <Body>A leaf</Body>
        <Rule />
        <ShownCode code="PZ3Y8G9XHG" />
      </Leaf>
      <ActionBar words="Next loose end" count={11} onPress={nothing} />
    </Column>
  );
}
