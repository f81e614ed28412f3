import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { designOf } from '@kelbrin/core/design';
import { writeObj, writeStl } from '@kelbrin/core/format';
import { boundsOf, sizeOf, type SolidMesh } from '@kelbrin/core/mesh';
import { createStep, emptyRecipe, type Recipe } from '@kelbrin/core/recipe';
import { classroomLimits } from '@kelbrin/core/inspect';
import { NotAllowed, type Person } from '../platform/auth/access.ts';
import { Compute } from '../platform/compute/compute.ts';
import { projectFiles, projects } from '../platform/db/schema/index.ts';
import { addFile, fileOf, filesFor } from './projectFiles.ts';
import { keepVersion } from './versions.ts';
import { SentBytes } from '../platform/sent/sentBytes.ts';
import { demoSchool, type TestDatabase } from '../testing/database.ts';
import { eq } from 'drizzle-orm';

let test: TestDatabase;
let pool: Compute;
let asha: Person;
let bruno: Person;
let project: string;
beforeAll(async () => {
  test = await demoSchool();
  pool = new Compute('app/dist/computeWorker.js');
  [asha, bruno] = await Promise.all([test.person('Asha'), test.person('Bruno')]);
  [{ id: project }] = await test.db
    .select({ id: projects.id })
    .from(projects)
    .where(eq(projects.studentId, asha.id));
});
afterAll(async () => {
  await pool.close();
  await test.drop();
});

/** A box of the given edges with its corner in the origin. */
function box(x: number, y: number, z: number, isInsideOut = false): SolidMesh {
  const positions = Float32Array.from([
    0,
    0,
    0,
    x,
    0,
    0,
    x,
    y,
    0,
    0,
    y,
    0,
    0,
    0,
    z,
    x,
    0,
    z,
    x,
    y,
    z,
    0,
    y,
    z,
  ]);
  const faces = [[0, 2, 1], [0, 3, 2], [4, 5, 6], [4, 6, 7], [0, 1, 5], [0, 5, 4], [1, 2, 6], [1, 6, 5], [2, 3, 7], [2, 7, 6], [3, 0, 4], [3, 4, 7]]; // oxfmt-ignore
  return {
    positions,
    triangles: Uint32Array.from(faces.flatMap((face) => (isInsideOut ? face.toReversed() : face))),
  };
}

const file = (mesh: SolidMesh, name = 'box.stl') => ({ name, sent: new SentBytes(writeStl(mesh)) });
const importing = (asset: string, unit: 'mm' | 'in'): Recipe => ({
  ...emptyRecipe(),
  steps: [{ ...createStep('import', 's1'), asset, unit } as Recipe['steps'][number]],
});

describe('a file that is imported', () => {
  it('is built into the part by the server, in the unit that the step says', async () => {
    const { hash, unit, notes } = await addFile(test.db, asha, project, file(box(20, 10, 5)));
    expect({ unit, notes }).toEqual({ unit: 'mm', notes: [] });
    for (const [said, factor] of [['mm', 1], ['in', 25.4]] as const) {
      const recipe = importing(hash, said);
      const files = await filesFor(test.db, project, recipe);
      const built = await pool.run<'inspect'>({ kind: 'inspect', recipe, files, limits: classroomLimits, brief: {}, title: 'x' });
      if (!built.ok) throw new Error(built.problem);
      const size = built.inspection.part.sizeMm.map((mm) => Math.round(mm / factor));
      expect(size).toEqual([20, 10, 5]);
    }
  }); // oxfmt-ignore

  it('in inches or metres is noticed by its size', async () => {
    const inches = await addFile(test.db, asha, project, file(box(2, 1, 0.5)));
    expect(inches.unit).toBe('in');
    expect(inches.notes.join()).toContain('looked like in');
    expect((await addFile(test.db, asha, project, file(box(0.05, 0.02, 0.02)))).unit).toBe('m');
  });

  it('is mended where that is safe, and says so', async () => {
    const { hash, notes } = await addFile(test.db, asha, project, file(box(20, 10, 5, true)));
    expect(notes).toEqual(['The surface faced inwards and was turned about.']);
    expect(sizeOf(boundsOf(box(20, 10, 5)))).toEqual([20, 10, 5]);
    expect((await fileOf(test.db, asha, project, hash)).length).toBe(84 + 12 * 50);
    const whole = box(20, 10, 5);
    const torn = { ...whole, triangles: whole.triangles.slice(3) };
    await expect(addFile(test.db, asha, project, file(torn))).resolves.toMatchObject({
      notes: [expect.stringMatching(/^A hole in the surface, .* mm across, was closed\.$/) as string],
    });
    const obj = {
      name: 'box.obj',
      sent: new SentBytes(new TextEncoder().encode(writeObj(box(20, 10, 5), 'box'))),
    };
    await expect(addFile(test.db, asha, project, obj)).resolves.toMatchObject({ unit: 'mm' });
  });

  it('is refused in one sentence when it is no solid', async () => {
    const open = box(20, 10, 5);
    const broken = { ...open, triangles: open.triangles.slice(12) };
    const taking = addFile(test.db, asha, project, file(broken, 'open.stl'));
    await expect(taking).rejects.toThrow(/^open\.stl: the surface in the file does not close: 8 edges/);
    const words = { name: 'notes.txt', sent: new SentBytes(new TextEncoder().encode('hello')) };
    await expect(addFile(test.db, asha, project, words)).rejects.toThrow(/^notes\.txt: /);
    const large = { name: 'large.stl', sent: new SentBytes(new Uint8Array(20_000_001)) };
    await expect(addFile(test.db, asha, project, large)).rejects.toThrow('larger than 20 MB');
  });

  it('belongs to its project: others can neither put one in nor take it, not even by its name', async () => {
    const { hash } = await addFile(test.db, asha, project, file(box(30, 10, 5)));
    await expect(addFile(test.db, bruno, project, file(box(1, 1, 1)))).rejects.toThrow(NotAllowed);
    await expect(fileOf(test.db, bruno, project, hash)).rejects.toThrow(NotAllowed);
    const [{ id: other }] = await test.db
      .select({ id: projects.id })
      .from(projects)
      .where(eq(projects.studentId, bruno.id));
    await expect(fileOf(test.db, bruno, other, hash)).rejects.toThrow(NotAllowed);
    expect((await filesFor(test.db, other, importing(hash, 'mm'))).size).toBe(0);
    const teacher = await test.person('Ms Fenwick');
    expect((await fileOf(test.db, teacher, project, hash)).length).toBeGreaterThan(84);
  });

  it('makes room for another once nothing of the project uses it', async () => {
    const used = await addFile(test.db, asha, project, file(box(31, 10, 5)));
    const [{ design }] = await test.db
      .select({ design: projects.design })
      .from(projects)
      .where(eq(projects.id, project));
    const withFile = designOf(importing(used.hash, 'mm'), 'Box');
    await test.db.update(projects).set({ design: withFile }).where(eq(projects.id, project));
    const count = () => test.db.$count(projectFiles, eq(projectFiles.projectId, project));
    const stl = writeStl(box(1, 1, 1));
    for (let i = await count(); i < 20; i++)
      await test.db.insert(projectFiles).values({ projectId: project, hash: `unused ${i}`, stl });
    const added = await addFile(test.db, asha, project, file(box(32, 10, 5)));
    expect((await filesFor(test.db, project, importing(used.hash, 'mm'))).size).toBe(1);
    expect((await filesFor(test.db, project, importing(added.hash, 'mm'))).size).toBe(1);
    expect(await count()).toBe(2);
    // What a version holds is used, too, whatever the project is by now.
    const [{ revision }] = await test.db.select().from(projects).where(eq(projects.id, project));
    await keepVersion(test.db, asha, project, revision, 'with a box');
    await test.db.update(projects).set({ design }).where(eq(projects.id, project));
    for (let i = await count(); i < 20; i++)
      await test.db.insert(projectFiles).values({ projectId: project, hash: `unused ${i}`, stl });
    await addFile(test.db, asha, project, file(box(33, 10, 5)));
    expect((await filesFor(test.db, project, importing(used.hash, 'mm'))).size).toBe(1);
  });
});
