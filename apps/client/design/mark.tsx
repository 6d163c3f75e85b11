import { useTheme } from '@tamagui/core';
import Svg, { Circle, Path, Polygon } from 'react-native-svg';

/** The marks: each state has its own shape, and its word stands beside it or in its name. */
export const MARKS = {
  planned: 'planned',
  'under way': 'under way',
  next: 'next',
  finished: 'finished',
  received: 'received',
  'needs eyes': 'needs eyes',
  differs: 'differs',
  returned: 'returned',
  approved: 'approved',
  late: 'late',
  sending: 'sending',
} as const;
export type MarkName = keyof typeof MARKS;

export interface MarkProps {
  readonly name: MarkName;
  readonly size?: number;
  /** Set when the word stands right beside it already. */
  readonly silent?: boolean;
}

export function Mark({ name, size = 20, silent }: MarkProps) {
  return (
    <Svg
      width={size}
      height={size}
      viewBox="0 0 24 24"
      {...(silent ? { 'aria-hidden': true } : { role: 'img' as const, 'aria-label': MARKS[name] })}
    >
      <MarkShape name={name} />
    </Svg>
  );
}

/** The shape alone, centred at 12,12 in a box of 24: for use inside a larger drawing. */
export function MarkShape({ name }: { name: MarkName }) {
  const theme = useTheme();
  const ink = theme.ink.get();
  const paper = theme.sheet.get();
  const clay = theme.clay.get();
  const lake = theme.lake.get();
  const ring = { stroke: ink, strokeWidth: 2.4, fill: paper };
  switch (name) {
    case 'planned':
      return <Circle cx={12} cy={12} r={8.5} {...ring} />;
    case 'under way':
      return (
        <>
          <Circle cx={12} cy={12} r={8.5} {...ring} />
          <Path d="M12 3.5 a8.5 8.5 0 0 1 0 17 z" fill={ink} />
        </>
      );
    case 'next':
      return (
        <Circle cx={12} cy={12} r={9.5} stroke={ink} strokeWidth={2.6} fill={theme.sun.get()} />
      );
    case 'finished':
      return <Circle cx={12} cy={12} r={9} fill={ink} />;
    case 'sending':
      return (
        <>
          <Circle cx={12} cy={12} r={9} fill={ink} />
          <Path
            d="M12 17 V8 M8 11.5 L12 7.5 L16 11.5"
            stroke={paper}
            strokeWidth={2.2}
            fill="none"
          />
        </>
      );
    case 'received':
      return (
        <>
          <Circle cx={12} cy={12} r={9.5} fill={ink} />
          <Path
            d="M7.5 12.3 L10.8 15.6 L16.6 9"
            stroke={paper}
            strokeWidth={2.4}
            fill="none"
            strokeLinecap="round"
          />
        </>
      );
    case 'needs eyes':
      return <Polygon points="12,1.5 22.5,12 12,22.5 1.5,12" fill={clay} />;
    case 'late':
      return (
        <>
          <Polygon
            points="12,1.5 22.5,12 12,22.5 1.5,12"
            fill={paper}
            stroke={clay}
            strokeWidth={2.4}
          />
          <Path
            d="M12 7 V12.5 L15.5 14.5"
            stroke={clay}
            strokeWidth={2.2}
            fill="none"
            strokeLinecap="round"
          />
        </>
      );
    case 'differs':
      return (
        <Path
          d="M12 22 V13 M12 13 C12 8 5 9 5 2.5 M12 13 C12 8 19 9 19 2.5"
          stroke={lake}
          strokeWidth={3}
          fill="none"
          strokeLinecap="round"
        />
      );
    case 'returned':
      return (
        <Path
          d="M19 3 V9 a6 6 0 0 1 -6 6 H5 M9.5 9.8 L4.5 15 L9.5 20.2"
          stroke={clay}
          strokeWidth={3}
          fill="none"
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      );
    case 'approved':
      return (
        <>
          <Circle cx={12} cy={12} r={10} stroke={ink} strokeWidth={2} fill={paper} />
          <Circle cx={12} cy={12} r={5.5} stroke={ink} strokeWidth={2.4} fill={paper} />
        </>
      );
  }
}
