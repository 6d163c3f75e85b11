import { INSTRUMENT_KINDS, type InstrumentTrouble } from '@ant-trail/core/instruments';
import { StandInPort } from '../src/instruments/index.ts';

const NOW = new Date('2031-04-05T08:00:00Z');
const port = new StandInPort({ delay: 0, now: () => NOW });
const trouble = (what: InstrumentTrouble['what']): unknown => expect.objectContaining({ what });

test.each(INSTRUMENT_KINDS.map(({ key }) => key))(
  'a %s of each temper is within reach',
  async (kind) => {
    const found = await port.find(kind);
    expect(new Set(found.map(({ serial }) => serial)).size).toBe(found.length);
    const [willing, drops, refuses, silent] = found;
    const wanted = { unit: 'N.m', target: 200 };

    const good = await port.open(willing!);
    const reading = await good.measure(wanted);
    expect(reading).toMatchObject({ unit: 'N.m', takenAt: NOW.toISOString() });
    expect(Math.abs(reading.value - 200)).toBeLessThan(2);

    for (const [one, what] of [
      [drops, 'lost'],
      [refuses, 'refuses'],
    ] as const) {
      const opened = await port.open(one!);
      await expect(opened.measure(wanted)).rejects.toEqual(trouble(what));
      expect((await opened.measure(wanted)).unit).toBe('N.m');
    }
    await expect(port.open(silent!)).rejects.toEqual(trouble('lost'));
  },
);
