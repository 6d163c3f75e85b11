import { styled, Text } from '@tamagui/core';

/** Running text. */
export const Body = styled(Text, {
  fontFamily: '$body',
  fontSize: '$3',
  lineHeight: '$3',
  color: '$ink',
  userSelect: 'text',
  variants: {
    strong: { true: { fontWeight: '$3' } },
    quiet: { true: { color: '$ink2' } },
    eyes: { true: { color: '$clay' } },
    small: { true: { fontSize: '$2', lineHeight: '$2' } },
    tiny: { true: { fontSize: '$1', lineHeight: '$1' } },
  } as const,
});

/** The one heading of a page. */
export const Title = styled(Body, {
  render: 'h1',
  margin: 0,
  fontWeight: '$3',
  fontSize: '$5',
  lineHeight: '$5',
});

/** The heading of a part of a page. */
export const Heading = styled(Body, {
  render: 'h2',
  margin: 0,
  fontWeight: '$3',
  fontSize: '$4',
  lineHeight: '$4',
});

/** Numbers and times, in figures that stand under each other. */
export const Figure = styled(Body, { fontFamily: '$mono' });
