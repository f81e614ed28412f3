import { beforeAll, describe, expect, it } from 'vitest';
import { nodeWorkshop } from '../../../node/workshop.ts';
import { regionAreaOf, type Point, type Region } from '../../plane/index.ts';
import { RegionMath } from '../../solid/index.ts';
import { readSvg, writeSvg } from './index.ts';

let math: RegionMath;
beforeAll(async () => {
  math = new RegionMath((await nodeWorkshop()).kernel);
});

const svg = (inside: string, head = 'width="40mm" viewBox="0 0 40 40"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${head}>${inside}</svg>`;
const read = (source: string) => readSvg(source, math);

function regionOf(source: string): Region {
  return read(source).outlines.map((flat) =>
    Array.from({ length: flat.length / 2 }, (_, i): Point => [flat[2 * i], flat[2 * i + 1]]),
  );
}
/** The area that a drawing encloses in its own units. */
const areaOf = (source: string) => regionAreaOf(regionOf(source));
const half = (Math.PI * 25) / 2;

describe('reading SVG', () => {
  it.each([
    ['a rectangle', '<rect x="2" y="3" width="20" height="10"/>', 200],
    ['a rounded rectangle', '<rect width="20" height="10" rx="2"/>', 200 - (4 - Math.PI) * 4],
    ['a circle', '<circle cx="9" cy="9" r="5"/>', Math.PI * 25],
    ['an ellipse', '<ellipse rx="6" ry="3"/>', Math.PI * 18],
    ['a polygon', '<polygon points="0,0 10,0 10,10"/>', 50],
    ['an open line, which filling closes', '<polyline points="0 0 10 0 10 10"/>', 50],
    ['a path with curves and arcs', '<path d="M0 0h10a5 5 0 0 1 0 10H0z"/>', 100 + half],
    ['a path with relative short forms', '<path d="m0,0 l10,0 0,10 -10,0z m2,2 v6 h6 v-6z"/>', 100 - 36],
    ['an even–odd opening', '<path fill-rule="evenodd" d="M0 0H10V10H0zM2 2H8V8H2z"/>', 64],
    ['overlapping shapes', '<rect width="10" height="10"/><rect x="5" width="10" height="10"/>', 150],
    ['overlapping shapes that turn opposite ways', '<path d="M0 0H10V10H0z"/><path d="M5 0V10H15V0z"/>', 150],
    [
      'nested groups with transformations',
      '<g transform="scale(2)"><g transform="translate(3 1) rotate(30)"><rect width="5" height="2"/></g></g>',
      40,
    ],
    ['a mirrored shape over another', '<rect width="10" height="10"/><g transform="scale(-1,1)"><path d="M-15 0h10v10h-10z"/></g>', 150], // oxfmt-ignore
    [
      'a transformation in a style',
      '<rect style="transform: translate(3px, 2px) scale(2)" width="5" height="2"/>',
      40,
    ],
    ['a skewed shape', '<rect transform="skewX(30)" width="5" height="4"/>', 20],
    [
      'what is filled and not what has no line',
      '<rect width="10" height="10"/><circle r="30" fill="none"/>',
      100,
    ],
    ['shapes and not definitions', '<defs><circle id="c" r="30"/></defs><rect width="10" height="10"/>', 100],
    ['lengths with units', '<rect width="1in" height="25.4mm"/>', 96 * 96],
    ['lengths in percent', '<rect width="50%" height="25%"/>', 200],
    ['what is hidden', '<rect width="10" height="10"/><g display="none"><rect x="20" width="9" height="9"/></g><rect visibility="hidden" x="20" width="9" height="9"/><rect opacity="0" x="20" width="9" height="9"/>', 100], // oxfmt-ignore
  ])('encloses the area of %s', (_, inside, area) => {
    expect(areaOf(svg(inside)) / area).toBeCloseTo(1, 2);
    expect(read(svg(inside)).notes).toEqual([]);
  });

  describe('with one shape in many places', () => {
    it.each([
      ['used before it is defined', '<use href="#a" x="20"/><rect id="a" width="10" height="4"/>', 80],
      [
        'with the older reference',
        '<defs><rect id="a" width="10" height="4"/></defs><use xlink:href="#a"/>',
        40,
      ],
      ['turned and made larger', '<defs><g id="a"><rect width="2" height="4"/></g></defs><use href="#a" transform="rotate(90) scale(3)"/>', 72], // oxfmt-ignore
      ['as a symbol that is fitted', '<symbol id="a" viewBox="0 0 100 100"><rect width="100" height="50"/></symbol><use href="#a" width="10" height="10"/>', 50], // oxfmt-ignore
      ['as a drawing in a drawing', '<svg x="5" width="20" height="10" viewBox="0 0 40 40"><rect width="40" height="40"/></svg>', 100], // oxfmt-ignore
      ['that is stretched', '<svg width="20" height="10" viewBox="0 0 40 40" preserveAspectRatio="none"><rect width="40" height="40"/></svg>', 200], // oxfmt-ignore
      ['that takes its fill from its place', '<defs><rect id="a" width="10" height="4"/></defs><use href="#a" fill="none"/><use href="#a" x="12"/>', 40], // oxfmt-ignore
    ])('reads one %s', (_, inside, area) => {
      expect(areaOf(svg(inside)) / area).toBeCloseTo(1, 3);
    });
  });

  describe('with looks', () => {
    const two = (one: string, other: string) => `<rect ${one} width="10" height="10"/><rect ${other} x="20" width="5" height="5"/>`; // oxfmt-ignore
    it.each([
      ['no fill on a group', `<g fill="none">${two('', 'fill="red"')}</g>`, 25],
      ['no fill in a style', two('style="fill: none"', ''), 25],
      ['no fill by a class', `<style>.a, .b { fill: none } </style>${two('class="x b"', '')}`, 25],
      [
        'no fill by a name and a class',
        `<style>rect.a{fill:none}</style>${two('class="a"', 'class="b"')}`,
        25,
      ],
      ['no fill by an id, against a class', `<style>#i{fill:none}.a{fill:red}</style>${two('id="i" class="a"', '')}`, 25], // oxfmt-ignore
      [
        'a style against a class',
        `<style>.a{fill:none}</style>${two('class="a" style="fill:#123"', '')}`,
        125,
      ],
      ['a class against an attribute', `<style>/* a { } */ .a{fill:none !important}</style>${two('class="a" fill="red"', '')}`, 25], // oxfmt-ignore
      ['a rule that is inherited', '<g fill-rule="evenodd"><path d="M0 0H10V10H0zM2 2H8V8H2z"/></g>', 64],
      ['a fill that cannot be seen', two('fill="rgba(1,2,3,0)"', 'fill="#0000"') + '<rect y="20" width="4" height="4"/>', 16], // oxfmt-ignore
    ])('takes %s', (_, inside, area) => {
      expect(areaOf(svg(inside)) / area).toBeCloseTo(1, 3);
    });

    it('takes white for paper, and says so', () => {
      const page = '<rect width="40" height="40" fill="#fff"/>';
      const drawing = read(
        svg(`${page}<rect width="20" height="20"/><circle cx="10" cy="10" r="5" fill="white"/>`),
      );
      expect(areaOf(svg(`${page}<rect width="20" height="20"/><circle cx="10" cy="10" r="5" style="fill:rgb(255,255,255)"/>`)) / (400 - 2 * half)).toBeCloseTo(1, 3); // oxfmt-ignore
      expect(drawing.widthMm).toBeCloseTo(20, 2);
      expect(drawing.notes).toEqual(['White is taken as paper: it cuts away what lies under it.']);
    });

    it('takes a drawing that is white all over for ink, and says so', () => {
      const source = svg('<rect width="10" height="10" fill="white"/>');
      expect(areaOf(source)).toBeCloseTo(100, 3);
      expect(read(source).notes).toEqual(['All is white: it is taken as if it were black.']);
    });
  });

  describe('with lines that have a width', () => {
    const line = (inside: string, look: string) => svg(`<g fill="none" stroke="black" ${look}>${inside}</g>`);
    it.each([
      ['a line', line('<line x1="5" y1="5" x2="25" y2="5"/>', 'stroke-width="2"'), 40],
      ['a line as wide as nothing says', line('<path d="M0 0H20"/>', ''), 20],
      ['square ends', line('<path d="M0 0H20"/>', 'stroke-width="2" stroke-linecap="square"'), 44],
      ['round ends', line('<path d="M0 0H20"/>', 'stroke-width="10" stroke-linecap="round"'), 200 + 2 * half],
      ['a pointed corner', line('<path d="M0 0H20V20"/>', 'stroke-width="2"'), 80],
      [
        'a corner that is cut',
        line('<path d="M0 0H20V20"/>', 'stroke-width="2" stroke-linejoin="bevel"'),
        79.5,
      ],
      ['a round corner', line('<path d="M0 0H20V20"/>', 'stroke-width="10" stroke-linejoin="round"'), 400 - 25 + half / 2], // oxfmt-ignore
      ['a corner too pointed', line('<path d="M0 0H20L0 2"/>', 'stroke-width="1"'), 35.1],
      ['a closed frame', line('<rect width="20" height="20"/>', 'stroke-width="2"'), 22 ** 2 - 18 ** 2],
      ['a ring', line('<circle r="10"/>', 'style="stroke-width:2"'), Math.PI * (121 - 81)],
      ['a line that is made larger', line('<path transform="scale(3)" d="M0 0H10"/>', ''), 90],
      ['a dot', line('<path d="M3 3h0"/>', 'stroke-width="10" stroke-linecap="round"'), 2 * half],
      ['a line that crosses itself', line('<path d="M0 10H20M10 0V20"/>', 'stroke-width="2"'), 76],
      ['a fill with a line', svg('<rect width="10" height="10" stroke="red" stroke-width="2"/>'), 144],
      ['a white line over a fill', svg('<rect width="20" height="10"/><path d="M10 -5V15" stroke="white" stroke-width="4"/>'), 160], // oxfmt-ignore
    ])('draws %s', (_, source, area) => {
      expect(Math.abs(areaOf(source) / area - 1)).toBeLessThan(0.02);
    });
  });

  it.each([
    ['A text is left out: turn it into paths first.', '<text>Fern</text>'],
    ['2 texts are left out: turn them into paths first.', '<text>A</text><g><text>B</text></g>'],
    ['A picture is left out: it has no outlines.', '<image href="data:image/png;base64,AA"/>'],
    [
      'A clip or mask is left out: what it hides is drawn.',
      '<rect clip-path="url(#c)" width="1" height="1"/>',
    ],
    ['A shape that is not in the file is left out.', '<use href="other.svg#a"/>'],
    ['Dashed lines are drawn through.', '<path d="M0 0H9" stroke="red" stroke-dasharray="2 1"/>'],
    [
      'Arrowheads and other marks on lines are left out.',
      '<path d="M0 0H9" stroke="red" marker-end="url(#m)"/>',
    ],
    ['Some of the styles are not understood and are left out.', '<style>g > rect { fill: none }</style>'],
  ])('says “%s”', (note, inside) => {
    expect(read(svg(`<rect width="10" height="10"/>${inside}`)).notes).toEqual([note]);
  });

  it('knows how wide the drawing is by the file’s own units', () => {
    const square = '<rect width="20" height="10"/>';
    expect(read(svg(square)).widthMm).toBeCloseTo(20, 2);
    expect(read(svg(square, 'width="2in" viewBox="0 0 40 40"')).widthMm).toBeCloseTo(25.4, 2);
    expect(read(svg(square, 'height="80mm" viewBox="0 0 40 40"')).widthMm).toBeCloseTo(40, 2);
    expect(read(svg(square, 'width="100%" height="100%" viewBox="0 0 40 40"')).widthMm).toBeCloseTo(5.29, 2);
    expect(read(svg(square, '')).widthMm).toBeCloseTo((20 * 25.4) / 96, 2);
  });

  it('keeps its detail however large or small its numbers are', () => {
    for (const scale of [1e-6, 1, 1e6])
      expect(areaOf(svg(`<circle r="${scale}"/>`, '')) / (Math.PI * scale ** 2)).toBeCloseTo(1, 2);
  });

  it('reads a curve that is pulled further out than anything else lies', () => {
    for (const far of [1e3, 1e5])
      expect(regionOf(svg(`<path d="M0 0C0 ${far} 10 ${far} 10 0z"/>`)).length).toBe(1);
  });

  it('stands upright: what is at the foot of the page is at the foot of the outline', () => {
    const [flat] = read(svg('<polygon points="0,10 10,10 5,0"/>')).outlines;
    const top = flat.filter((_, i) => i % 2 === 1).findIndex((y) => Math.abs(y) < 1e-6);
    expect(flat[2 * top]).toBeCloseTo(5, 6);
  });

  it('reads a drawing whose names are written as entities', () => {
    const head = '<!DOCTYPE svg PUBLIC "-//W3C//DTD SVG 1.1//EN" "x.dtd" [<!ENTITY st0 "fill:none;"><!ENTITY ns "http://a.b">]>'; // oxfmt-ignore
    const source = `${head}${svg('<rect style="&st0;" width="30" height="30"/><rect width="10" height="10"/>', 'xmlns:x="&ns;"')}`;
    expect(areaOf(source)).toBeCloseTo(100, 3);
  });

  it('reads what it wrote', () => {
    const region: Region = [[[0, 0], [30, 0], [30, 20], [0, 20]], [[5, 5], [5, 15], [15, 15], [15, 5]]]; // oxfmt-ignore
    const source = writeSvg(region, 'A & B');
    expect(source).toContain('<title>A &amp; B</title>');
    expect(areaOf(source)).toBeCloseTo(500, 2);
    expect(read(source).widthMm).toBeCloseTo(30, 2);
  });
});

describe('reading SVG that was made to harm', () => {
  const tenUses = (of: string) => `<use href="#${of}"/>`.repeat(10);
  const random = (() => {
    let state = 7;
    return () => (state = (state * 48271) % 2147483647) / 2147483647;
  })();
  const scribble = Array.from(
    { length: 8000 },
    () => `${(random() * 40).toFixed(3)} ${(random() * 40).toFixed(3)}`,
  );
  const sources: [string, () => string][] = [
    ['no XML', () => 'hello'],
    ['another kind of XML', () => '<html><body/></html>'],
    ['nothing filled', () => svg('<text>words</text><line x2="4"/>')],
    ['a broken path', () => svg('<path d="M0 0 L x y"/>')],
    ['a path of numbers too large', () => svg('<path d="M0 0 L1e308 1e308 L 1e308 0z" transform="scale(1e9)"/>')],
    ['a curve that is pulled far out', () => svg('<path d="M0 0C1 -1e308 4 8 2 8z"/>')],
    ['a transformation that cannot be', () => svg('<rect width="1" height="1" transform="matrix(1 2)"/>')],
    ['a script and nothing else', () => svg('<script>alert(1)</script>')],
    ['a bomb of entities', () => `<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]>${svg('<text>&b;</text>')}`],
    ['entities without end', () => `<!DOCTYPE svg [<!ENTITY a "${'a'.repeat(100_000)}">]>${svg(`<text>${'&a;'.repeat(99_000)}</text>`)}`],
    ['a declaration without end', () => `<!DOCTYPE svg [${'<!ENTITY '.repeat(400_000)}`],
    ['a use of itself', () => svg('<g id="a"><use href="#a"/><rect width="1" height="1"/></g>')],
    ['uses of uses of uses', () => svg(`<defs><rect id="a" width="1" height="1"/>${['b', 'c', 'd', 'e', 'f', 'g', 'h'].map((id, i) => `<g id="${id}">${tenUses('abcdefg'[i])}</g>`).join('')}</defs><use href="#h"/>`)],
    ['groups without end', () => svg('<g>'.repeat(500_000))],
    ['elements without end', () => svg('<g/>'.repeat(900_000))],
    ['attributes without end', () => svg(`<g ${Array.from({ length: 200_000 }, (_, i) => `a${i}="1"`).join(' ')}/>`)],
    ['a path without end', () => svg(`<path d="M0 0${'h1v1'.repeat(900_000)}z"/>`)],
    ['points without end', () => svg(`<polygon points="${'1 2 3 4 '.repeat(450_000)}"/>`)],
    ['a scribble', () => svg(`<polygon points="${scribble.join(' ')}"/>`)],
    ['a thick scribble', () => svg(`<polyline fill="none" stroke="red" stroke-width="0.01" points="${scribble.slice(0, 4000).join(' ')}"/>`)],
    ['black and white without end', () => svg('<rect width="9" height="9"/><rect width="5" height="5" fill="#fff"/>'.repeat(2000))],
    ['a style sheet without end', () => svg(`<style>${'.a{fill:red}'.repeat(300_000)}</style><rect width="1" height="1"/>`)],
    ['more outlines than a drawing may have', () => svg(Array.from({ length: 500 }, (_, i) => `<circle cx="${3 * i}" r="1"/>`).join(''))],
    ['a transformation without end', () => svg(`<rect width="1" height="1" transform="${'scale('.repeat(600_000)}"/>`)],
    ['more than a drawing is long', () => svg(' '.repeat(4_000_001))],
  ]; // oxfmt-ignore
  it.each(sources)('refuses %s in a sentence', (_, source) => {
    expect(() => read(source())).toThrow(/^the (file|drawing) /);
  });
});
