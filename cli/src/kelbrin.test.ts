import { mkdtemp, rm, writeFile, readFile, mkdir } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { readSolid, writeStl, writeThreeMf } from '@kelbrin/core/format';
import { checks } from '@kelbrin/core/inspect';
import { volumeOf } from '@kelbrin/core/mesh';
import { nodeWorkshop } from '@kelbrin/core/node';
import { boxMesh } from '../../core/test/meshes.ts';
import { ball, invertedCone, madeWith, plateWithHole } from '../../core/test/solids.ts';
import { label } from '../../core/test/recipes.ts';
import { kelbrin } from './kelbrin.ts';

let folder: string;
const at = (name: string) => join(folder, name);

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'kelbrin-'));
  const { kernel } = await nodeWorkshop();
  await writeFile(at('good.stl'), writeStl(plateWithHole(kernel, 4)));
  await writeFile(at('good.3mf'), writeThreeMf(plateWithHole(kernel, 4), { title: 'Good' }));
  await writeFile(at('small hole.stl'), writeStl(plateWithHole(kernel, 1.3)));
  await writeFile(at('ball.3mf'), writeThreeMf(ball(kernel), { title: 'Ball' }));
  await writeFile(at('cone.stl'), writeStl(invertedCone(kernel, 40)));
  await writeFile(at('empty.stl'), '');
  await writeFile(at('cut.stl'), (await readFile(at('good.stl'))).subarray(0, 400));
  await writeFile(at('cut.3mf'), (await readFile(at('good.3mf'))).subarray(0, 900));
  await writeFile(
    at('random.stl'),
    Uint8Array.from({ length: 2000 }, (_, i) => (i * 131 + 7) % 256),
  );
  const lying = await readFile(at('good.stl'));
  lying.writeUInt32LE(4_000_000_000, 80);
  await writeFile(at('lying.stl'), lying);
  await mkdir(at('folder.stl'));
  await writeFile(at('limits.json'), JSON.stringify({ minHoleMm: 5 }));
  const requirements = [{ kind: 'oneBody' }, { kind: 'hole', reach: 'any', atLeastMm: 4.2 }];
  await writeFile(at('brief.json'), JSON.stringify({ requirements }));
  await writeFile(at('misspelt.json'), JSON.stringify({ minHolesMm: 5 }));
  await writeFile(at('recipe.json'), JSON.stringify(label()));
  await writeFile(at('tight.json'), JSON.stringify(label('Basil', 1.2)));
  await writeFile(at('bad recipe.json'), JSON.stringify({ ...label(), steps: [{ id: 's1', kind: 'wish' }] }));
});
afterAll(() => rm(folder, { recursive: true }));

async function run(...args: string[]) {
  const out: string[] = [];
  const err: string[] = [];
  const code = await kelbrin(args, { out: (line) => out.push(line), err: (line) => err.push(line) });
  return { code, out, err };
}

describe('inspect', () => {
  it('tells somebody who looks on how far it is, first with slicing and then with each check', async () => {
    const told: string[] = [];
    const output = {
      out: () => undefined,
      err: () => undefined,
      progress: (words: string) => told.push(words),
    };
    expect(await kelbrin(['inspect', at('good.stl')], output)).toBe(0);
    expect(told[0]).toBe(`${at('good.stl')}: Slicing (1)`);
    expect(told).toContain(`${at('good.stl')}: ${checks[0].title} (1 of ${checks.length})`);
    expect(told.at(-1)).toBe('');
  });

  it('explains one check, and writes a drawing of each place', async () => {
    const { code, out, err } = await run(
      'inspect', at('small hole.stl'), '--check', 'hole', '--explain', '--out', folder,
    ); // oxfmt-ignore
    expect(err).toEqual([]);
    expect(code).toBe(1);
    expect(out).toContain('hole: fail, 1.3 mm, ≥ 2 mm');
    const drawing = out.at(-1)!;
    expect(drawing).toBe(at('small hole.stl.hole.1.svg'));
    expect(await readFile(drawing, 'utf8')).toContain('<svg');
  });

  it('says which checks there are, and how one is asked for', async () => {
    const unknown = await run('inspect', at('good.stl'), '--check', 'holes', '--explain');
    expect(unknown).toMatchObject({
      code: 2,
      err: [expect.stringContaining('There is no check “holes”') as string],
    });
    expect((await run('inspect', at('good.stl'), '--check', 'hole')).err).toEqual([
      'Say which check is explained: --check ID --explain.',
    ]);
  });

  it('prints one line of JSON a file with the part and every check', async () => {
    const { code, out, err } = await run('inspect', at('small hole.stl'), at('good.3mf'), '--json');
    expect(err).toEqual([]);
    expect(code).toBe(1);
    const [bad, good] = out.map((line) => JSON.parse(line));
    expect(bad).toMatchObject({
      file: at('small hole.stl'),
      verdict: 'fail',
      part: { sizeMm: [40, 30, 6], bodies: 1 },
    });
    // Without a brief nothing may be held, so that nothing is said of supports.
    const asked = checks.map(({ id }) => id).filter((id) => id !== 'supports');
    expect(bad.checks.map(({ id }: { id: string }) => id)).toEqual(asked);
    const hole = bad.checks.find(({ id }: { id: string }) => id === 'hole');
    expect(hole).toMatchObject({ verdict: 'fail', measured: 1.3, limit: 2, unit: 'mm' });
    expect(hole.findings[0]).toMatchObject({ verdict: 'fail', measured: 1.3, unit: 'mm', at: [0, 0, 3] });
    expect(hole.findings[0].message).toContain('Ø 1.3 mm');
    expect(good.verdict).toBe('pass');
    expect(good.checks[4]).toMatchObject({ measured: null, verdict: 'pass', findings: [] });
  });

  it('exits 0 for pass and warn', async () => {
    expect((await run('inspect', at('good.stl'), at('cone.stl'))).code).toBe(0);
  });

  it('holds parts against the limits it is given', async () => {
    const { code, out } = await run('inspect', at('good.stl'), '--limits', at('limits.json'), '--json');
    expect(code).toBe(1);
    expect(JSON.parse(out[0]).checks[3]).toMatchObject({ limit: 5, measured: 4, verdict: 'fail' });
  });

  it('tells what printing takes, and holds the part against a brief', async () => {
    const { code, out } = await run('inspect', at('good.stl'), '--brief', at('brief.json'), '--json');
    expect(code).toBe(1);
    const [time, material, brief] = JSON.parse(out[0]).checks.slice(-3);
    expect(time.measured).toBeGreaterThan(5);
    expect(material.findings[0].message).toMatch(/ g of filament, about €0\.\d\d\.$/);
    expect(brief).toMatchObject({ verdict: 'fail', measured: 1, limit: 2 });
    const wrong = await run('inspect', at('good.stl'), '--brief', at('limits.json'));
    expect(wrong).toMatchObject({ code: 2, out: [] });
    expect(wrong.err[0]).toContain('these are not the rules of a brief');
  });

  it('reports to people in a few lines', async () => {
    const { out } = await run('inspect', at('ball.3mf'));
    expect(out[0]).toContain('ball.3mf: fail');
    expect(out[0]).toContain('a line or a point');
  });

  it.each(['empty.stl', 'cut.stl', 'cut.3mf', 'random.stl', 'lying.stl', 'missing.stl', 'folder.stl'])(
    'says in one sentence that %s cannot be used, and inspects the others',
    async (name) => {
      const { code, out, err } = await run(
        'inspect',
        at(name),
        at('good.stl'),
        at('small hole.stl'),
        '--json',
      );
      expect(code).toBe(2);
      expect(out).toHaveLength(2);
      expect(err).toHaveLength(1);
      expect(err[0]).toMatch(/^[^\n]+: [^\n]+\.$/);
      expect(err[0].startsWith(at(name))).toBe(true);
    },
  );

  it.each([
    [['inspect'], 'at least one file'],
    [['inspect', 'x.stl', '--wish'], '--wish'],
    [['inspect', 'x.stl', '--limits', 'nowhere.json'], 'no such file'],
    [['wish'], 'no command “wish”'],
  ])('says in one sentence what is wrong with %j', async (args, words) => {
    const { code, err } = await run(...args);
    expect(code).toBe(2);
    expect(err).toEqual([expect.stringContaining(words)]);
  });

  it('names the field of a limits card that it does not know', async () => {
    const { code, out, err } = await run('inspect', at('good.stl'), '--limits', at('misspelt.json'));
    expect([code, out]).toEqual([2, []]);
    expect(err[0]).toContain('minHolesMm');
  });
});

it('tells the triangles of a finding when it is asked to', async () => {
  const { out } = await run('inspect', at('small hole.stl'), '--json', '--region');
  const { findings } = JSON.parse(out[0]).checks[3];
  expect(findings[0].region).toHaveLength(96);
  for (const corners of findings[0].region) expect(Math.hypot(corners[0], corners[1])).toBeCloseTo(0.65, 2);
});

describe('remedies', () => {
  it('lists changes that mend what fails, and what each is worth', async () => {
    const { code, out } = await run('remedies', at('tight.json'));
    expect(code).toBe(0);
    expect(out[0].split('\n')).toEqual([
      expect.stringContaining('hole: This hole is Ø 1.2 mm'),
      expect.stringMatching(/^ {2}In step 2, make the diameter 2\.2 mm\. \(\+ Holes 1\.2 → 2\.2 mm/),
    ]);
    const json = await run('remedies', at('tight.json'), '--json');
    expect(JSON.parse(json.out[0])).toMatchObject({ check: 'hole', remedies: [{ kind: 'otherNumber' }] });
  });

  it('says so when nothing fails', async () => {
    expect(await run('remedies', at('recipe.json'))).toMatchObject({
      code: 0,
      out: [expect.stringContaining('nothing fails')],
    });
  });
});

describe('build', () => {
  it.each(['part.stl', 'part.3mf'])('writes %s, which passes', async (name) => {
    const { code } = await run('build', at('recipe.json'), '--out', at(name));
    expect(code).toBe(0);
    expect(volumeOf(readSolid(await readFile(at(name))))).toBeGreaterThan(4000);
    expect((await run('inspect', at(name))).code).toBe(0);
  });

  it('says what is wrong with a recipe, and where', async () => {
    const { code, err } = await run('build', at('bad recipe.json'), '--out', at('x.stl'));
    expect(code).toBe(2);
    expect(err[0]).toContain('Step 1');
  });
});

describe('sheet', () => {
  it('draws the part of a recipe, at the scale that is asked for', async () => {
    expect(await run('sheet', at('recipe.json'), '--out', at('part.svg'), '--scale', '1:2')).toMatchObject({
      code: 0,
      out: [expect.stringContaining('drawn at 1 : 2')],
    });
    expect(await readFile(at('part.svg'), 'utf8')).toContain('<title>recipe</title>');
    expect((await run('sheet', at('recipe.json'), '--out', at('part.pdf'), '--paper', 'A3')).code).toBe(0);
    expect((await readFile(at('part.pdf'), 'latin1')).slice(0, 5)).toBe('%PDF-');
  });

  it.each([
    [['--scale', '3:1'], 'choose 10:1, 5:1, 2:1, 1:1, 1:2, 1:5 or 1:10'],
    [['--paper', 'letter'], 'choose a4 or a3'],
    [['--section', 'top'], 'choose most, front, side or none'],
    [['--scale', '10:1'], 'the views do not fit on this sheet'],
  ])('says what else can be chosen than %s', async (flags, words) => {
    const { code, err } = await run('sheet', at('recipe.json'), '--out', at('x.svg'), ...flags);
    expect(code).toBe(2);
    expect(err[0]).toContain(words);
  });
});

it('slices in the way that is named, if the card allows it', async () => {
  const sliced = async (...more: string[]) =>
    await run('slice', at('good.stl'), '--out', at('way.gcode'), ...more);
  expect((await sliced('--set', 'detail')).out[0]).toMatch(/(39|40|41) layers/);
  expect(await readFile(at('way.gcode'), 'utf8')).toContain('; printed as detail');
  const { code, err } = await sliced('--set', 'huge');
  expect(code).toBe(2);
  expect(err[0]).toContain('Choose everyday, trial or detail');
});

it('says what decides in place of a figure, without the limit of that', async () => {
  const { kernel } = await nodeWorkshop();
  const part = madeWith(kernel, ({ Manifold }) =>
    Manifold.cube([20, 20, 5]).subtract(Manifold.cylinder(9, 2, 2, 64).translate([2.4, 10, -1])),
  );
  await writeFile(at('edge.stl'), writeStl(part));
  const { out } = await run('inspect', at('edge.stl'));
  expect(out.join('\n')).toMatch(/fail {2}hole {5,6}0\.4\d? mm of wall\n/);
});

it('slices no part that is beside the plate or too thin to be laid, and says so', async () => {
  for (const [name, size, words] of [
    ['long', [230, 10, 5], 'the part is 230 × 10 × 5 mm and the printer has 220 × 200 × 180 mm'],
    ['thin', [30, 20, 0.09], 'the part is 30 × 20 × 0.09 mm: nothing of it is thick enough'],
  ] as const) {
    await writeFile(at(`${name}.stl`), writeStl(boxMesh(size)));
    const { code, err } = await run('slice', at(`${name}.stl`), '--out', at(`${name}.gcode`));
    expect([code, err[0]]).toEqual([2, expect.stringContaining(words)]);
  }
});

it('slices a part file in the middle of the plate', async () => {
  const { code, out } = await run('slice', at('good.stl'), '--out', at('good.gcode'));
  expect(code).toBe(0);
  expect(out[0]).toMatch(/30 layers, about \d+ minutes/);
  const gcode = await readFile(at('good.gcode'), 'utf8');
  const xs = [...gcode.matchAll(/^G1 X([\d.]+)/gm)].map(([, x]) => Number(x));
  expect((Math.min(...xs) + Math.max(...xs)) / 2).toBeCloseTo(110, 1);
});
