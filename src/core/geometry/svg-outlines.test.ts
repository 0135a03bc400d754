import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { InputFault } from '../faults';
import { LIMITS } from '../limits';
import { signedArea2 } from './outline';
import { readSvgOutlines } from './svg-outlines';

const svg = (body: string) => `<svg xmlns="http://www.w3.org/2000/svg">${body}</svg>`;

describe('outlines of an SVG file', () => {
  it('are its paths, closed or open, with their relative commands and curves', () => {
    const { closed, open } = readSvgOutlines(
      svg('<path d="M0 0 L10 0 l0 10 H0 Z M20 20 h5 v5"/><path d="M0 0 C 0 10 10 10 10 0 Z"/>'),
    );
    expect(closed[0]).toEqual([0, 0, 10, 0, 10, 10, 0, 10]);
    expect(open).toEqual([[20, 20, 25, 20, 25, 25]]);
    // The cubic from 0, 0 to 10, 0 encloses sixty square px.
    expect(Math.abs(Math.abs(signedArea2(closed[1])) / 2 - 60)).toBeLessThan(1);
  });

  it('are its other shapes too', () => {
    const { closed, open } = readSvgOutlines(
      svg(
        '<rect x="1" y="2" width="3" height="4"/><polygon points="0,0 4,0 4,4"/><polyline points="0 0 5 5"/>' +
          '<line x1="1" y1="1" x2="2" y2="2"/><circle cx="5" cy="5" r="10"/><ellipse cx="0" cy="0" rx="4" ry="2"/>',
      ),
    );
    expect(closed[0]).toEqual([1, 2, 4, 2, 4, 6, 1, 6]);
    expect(closed[1]).toEqual([0, 0, 4, 0, 4, 4]);
    expect(open).toEqual([
      [0, 0, 5, 5],
      [1, 1, 2, 2],
    ]);
    expect(Math.abs(signedArea2(closed[2])) / 2).toBeCloseTo(Math.PI * 100, -1);
    expect(Math.abs(signedArea2(closed[3])) / 2).toBeCloseTo(Math.PI * 8, 0);
  });

  it('are moved by the transforms of all groups around them, the innermost first', () => {
    const { closed } = readSvgOutlines(
      svg(
        '<g transform="translate(100 0)"><g transform="scale(2)"><path transform="translate(1 1)" d="M0 0h1v1z"/></g></g>',
      ),
    );
    expect(closed[0]).toEqual([102, 2, 104, 2, 104, 4]);
  });

  it('leave scripts, links, styles and foreign things alone', () => {
    const { closed } = readSvgOutlines(
      svg(
        '<script>throw new Error("run")</script><style>path{d:path("M9 9")}</style><image href="http://example.invalid/x.png"/>' +
          '<foreignObject><p onclick="alert(1)">no</p></foreignObject><path onload="alert(1)" d="M0 0h1v1z"/>',
      ),
    );
    expect(closed).toEqual([[0, 0, 1, 0, 1, 1]]);
  });

  it.each([
    ['no markup at all', 'hello', /not an SVG/],
    ['torn markup', '<svg><path d="M0 0', /not an SVG/],
    ['other markup', '<html></html>', /no svg element/],
    ['no shapes', svg('<text>wall</text>'), /no path/],
    ['an entity that stands for many', '<!DOCTYPE svg [<!ENTITY a "aaaa">]><svg>&a;</svg>', /not an SVG/],
    ['what lies far beyond', svg('<path d="M0 0h1e9v1z"/>'), /beyond/],
    ['elements within elements', svg('<g>'.repeat(100) + '</g>'.repeat(100)), /deep/],
    ['too many points', svg(`<path d="M0 0${'h1v1'.repeat(LIMITS.outlinePoints)}"/>`), /at most/],
  ])('of a file with %s are refused in words', (_, text, words) => {
    expect(() => readSvgOutlines(text)).toThrow(InputFault);
    expect(() => readSvgOutlines(text)).toThrow(words);
  });

  it('of files made to take long are refused soon, or read', () => {
    const many = (text: string) => text.repeat(4_000_000 / text.length);
    const tooMany = /at most 10000 points/;
    expect(() => readSvgOutlines(svg(`<polygon points="${many('1,1 ')}"/>`))).toThrow(tooMany);
    expect(() => readSvgOutlines(svg(`<path d="M0 0L${many('1 2 ')}"/>`))).toThrow(tooMany);
    const turned = (transform: string) =>
      svg(`<g transform="${transform}">${'<path d="M0 0h1v1Z"/>'.repeat(2000)}</g>`);
    expect(readSvgOutlines(turned('rotate(1)'.repeat(360))).closed.length).toBe(2000);
    expect(() => readSvgOutlines(turned('rotate(1)'.repeat(10_000)))).toThrow('A transform of this SVG');
  });

  it('of damaged files are refused or read, and never anything else', () => {
    const good = svg(
      '<g transform="rotate(30)"><path d="M0 0 C1 2 3 4 5 6 Q7 8 9 10 A5 5 0 1 0 3 3 Z"/></g>',
    );
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: good.length - 1 }),
        fc.string({ maxLength: 4 }),
        fc.boolean(),
        (at, put, cuts) => {
          const text = cuts ? good.slice(0, at) + put : good.slice(0, at) + put + good.slice(at + put.length);
          try {
            const { closed, open } = readSvgOutlines(text);
            for (const points of [...closed, ...open]) expect(points.every(Number.isFinite)).toBe(true);
          } catch (thrown) {
            expect(thrown).toBeInstanceOf(InputFault);
          }
        },
      ),
      { numRuns: 2000 },
    );
  });
});
