import { questionAtPath, type SheetState } from '@ant-trail/core/sheet';
import { BATTERY, MEASURED } from '@ant-trail/core/trades/alarm/keys';
import { Column } from '@/design/box.tsx';
import { Sparkline } from '@/design/sparkline.tsx';
import { Body, Heading } from '@/design/text.tsx';
import type { KitPartProps } from '../part.ts';
import { useAlarm } from './use-alarm.ts';

/** A battery's capacity over the years beside what is printed on it, and when it will be too small. */
export default function BatteryYears({ state, readBefore }: KitPartProps) {
  const kit = useAlarm();
  const rated = numberAt(state, BATTERY);
  const now = questionAtPath(state, MEASURED)?.answer;
  const readings = readBefore(MEASURED).map(({ at, value }) => ({ at: Date.parse(at), value }));
  if (now && typeof now.value === 'number')
    readings.push({ at: Date.parse(now.entry.at), value: now.value });
  if (!kit || rated === null || readings.length < 2) return null;
  const least = rated * kit.LEAST_LEFT;
  const fails = kit.batteryFails(readings, rated);
  const last = readings.at(-1);
  const isLow = last !== undefined && last.value < least;
  return (
    <Column padding="$4" gap="$2">
      <Heading>The battery over the years</Heading>
      <Sparkline
        points={readings.map(({ at, value }) => ({
          ...{ label: sayBelow(at), value, out: value < least },
        }))}
        range={{ low: least, high: rated }}
        name={`Capacity of the battery, of ${rated} Ah: ${readings.map(({ at, value }) => `${sayMonth(at)} ${value} Ah`).join(', ')}`}
      />
      <Body small eyes={isLow} quiet={!isLow}>
        {isLow
          ? 'It holds less than four fifths of what is printed on it: a new one is due.'
          : fails === null
            ? 'The ground is from four fifths of what is printed on it up to all of it.'
            : `If it goes on like this it falls below four fifths in ${sayMonth(fails)}: have a new one there before.`}
      </Body>
    </Column>
  );
}

const numberAt = (state: SheetState, key: string): number | null => {
  const value = questionAtPath(state, key)?.answer?.value;
  return typeof value === 'number' && value > 0 ? value : null;
};

const MONTH = new Intl.DateTimeFormat('en-GB', { month: 'short', year: 'numeric' });
const sayMonth = (at: number): string => MONTH.format(at);

/** Short enough to stand below a chart: “Nov ’26”. */
const sayBelow = (at: number): string => sayMonth(at).replace(/ 20(\d\d)$/, ' ’$1');
