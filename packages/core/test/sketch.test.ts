import fc from 'fast-check';
import type { Shape } from '../src/log/index.ts';
import {
  arrowHead,
  freePath,
  shapesToSvg,
  sketchToSvg,
  SKETCH_WIDTH,
  snapAngle,
  snapTo,
  symbolLetter,
} from '../src/sketch/index.ts';

const unit = fc.double({ min: 0, max: 1, noNaN: true });
const point = fc.tuple(unit, unit);
const words = fc.string({ minLength: 1, maxLength: 30, unit: 'binary' });
const shape: fc.Arbitrary<Shape> = fc.oneof(
  fc.record({
    kind: fc.constant('free' as const),
    points: fc.array(point, { minLength: 1, maxLength: 8 }),
  }),
  fc.record({ kind: fc.constantFrom('line' as const, 'arrow' as const), from: point, to: point }),
  fc.record({ kind: fc.constant('circle' as const), at: point, radius: unit }),
  fc.record({ kind: fc.constant('text' as const), at: point, words }),
  fc.record({ kind: fc.constant('symbol' as const), at: point, symbol: words }),
);

describe('a straight line', () => {
  test('keeps its length and runs at a multiple of 15°', () => {
    fc.assert(
      fc.property(point, point, (from, to) => {
        fc.pre(Math.hypot(to[0] - from[0], to[1] - from[1]) > 1e-6);
        const snapped = snapAngle(from, to);
        const [dx, dy] = [snapped[0] - from[0], snapped[1] - from[1]];
        expect(Math.hypot(dx, dy)).toBeCloseTo(Math.hypot(to[0] - from[0], to[1] - from[1]), 9);
        const steps = (Math.atan2(dy, dx) * 180) / Math.PI / 15;
        expect(steps).toBeCloseTo(Math.round(steps), 6);
      }),
    );
  });

  test('is turned by half a step at most, and stays when it runs so already', () => {
    expect(snapAngle([0, 0], [1, 0])).toEqual([1, 0]);
    const [x, y] = snapAngle([0.5, 0.5], [0.9, 0.53]);
    expect([x, y].map((part) => Number(part.toFixed(4)))).toEqual([0.9011, 0.5]);
  });

  test('meets the nearest end within reach, and no other', () => {
    const ends = [
      [0.5, 0.5],
      [0.52, 0.5],
      [0.9, 0.9],
    ] as const;
    expect(snapTo([0.515, 0.5], ends)).toEqual([0.52, 0.5]);
    expect(snapTo([0.7, 0.7], ends)).toEqual([0.7, 0.7]);
    expect(snapTo([0.1, 0.1], [])).toEqual([0.1, 0.1]);
  });
});

describe('a sketch as SVG', () => {
  /** Tags in their order; a text with a tag in it would show here. */
  const tagsOf = (svg: string): string[] => [...svg.matchAll(/<\/?([a-z]+)/g)].map(([tag]) => tag);

  test('holds what was drawn and nothing that was only written', () => {
    fc.assert(
      fc.property(fc.array(shape, { maxLength: 6 }), (shapes) => {
        const svg = sketchToSvg({ shapes, height: 0.75 });
        const wanted = shapes.flatMap(({ kind }) => {
          if (kind === 'circle') return ['<circle'];
          if (kind === 'text') return ['<text', '</text'];
          return kind === 'symbol' ? ['<rect', '<text', '</text'] : ['<path'];
        });
        expect(tagsOf(svg)).toEqual(['<svg', ...wanted, '</svg']);
        expect(svg.match(/"/g)?.length ?? 0).toBe((svg.match(/="/g)?.length ?? 0) * 2);
      }),
    );
  });

  test('is as wide and high as its paper, over the picture that lies under it', () => {
    const svg = sketchToSvg({ shapes: [], height: 0.5 }, [], 'data:image/png;base64,AA"<');
    expect(svg).toContain(`viewBox="0 0 ${SKETCH_WIDTH} 500"`);
    expect(svg).toContain('href="data:image/png;base64,AA&#34;&#60;" width="1000" height="500"');
  });

  test('draws signs by the letters of their legend, and lines as wide as they are asked for', () => {
    const symbols = [
      { key: 'stove', label: 'Stove' },
      { key: 'exit', label: 'Way out' },
    ];
    expect(['stove', 'exit', 'unknown'].map((key) => symbolLetter(symbols, key))).toEqual([
      'A',
      'B',
      'A',
    ]);
    const line: Shape = { kind: 'line', from: [0, 0], to: [1, 1] };
    expect(shapesToSvg([line], [], '#123456', 12)).toContain('stroke="#123456" stroke-width="12"');
    expect(
      freePath([
        [0, 0],
        [0.25, 0.5],
      ]),
    ).toBe('M0 0 L250 500');
    expect(arrowHead([0, 0], [1, 0])).toMatch(/^M973\.7 -?14\.4 L1000 0 L973\.7 -?14\.4$/);
  });
});
