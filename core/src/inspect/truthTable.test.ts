import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { checked, faults } from '../../test/faults.ts';
import { madeWith } from '../../test/solids.ts';
import { truthTable, type KnownPart } from '../../test/truthTable.ts';
import { nodeWorkshop } from '../../node/workshop.ts';
import { combined, posed, setDown, turn, type Pose, type SolidMesh } from '../mesh/index.ts';
import type { Kernel } from '../solid/index.ts';
import { classroomLimits, inspect } from './index.ts';
import { isWorse, judge } from './result/verdict.ts';

let kernel: Kernel;
beforeAll(async () => ({ kernel } = await nodeWorkshop()));

const SIDES = 64;

function turned(mesh: SolidMesh, pose: Pose): SolidMesh {
  const { positions: p } = mesh;
  const positions = new Float32Array(p.length);
  for (let i = 0; i < p.length; i += 3) positions.set(posed(pose, [p[i], p[i + 1], p[i + 2]]), i);
  return { ...mesh, positions };
}

/** Turned away from where it stands and back, as a part that somebody laid down by one of its faces. */
function laidDownAgain(mesh: SolidMesh): SolidMesh {
  const away = combined(turn('x', 71), turn('y', 23), turn('z', 140));
  const back = combined(turn('z', -97), turn('y', -23), turn('x', -71));
  return setDown(turned(turned(mesh, away), combined(turn('z', 37), turn('z', -43), back)));
}

/** The verdicts of all checks, whatever is expected of them. */
const verdicts = (mesh: SolidMesh) =>
  inspect(mesh, classroomLimits, { isForeign: true }).checks.map(({ id, verdict }) => `${id} ${verdict}`);

it('no verdict changes when a part is turned on the plate, by any angle', () => {
  const known = new Map<KnownPart, SolidMesh>();
  const meshOf = (part: KnownPart) => {
    const mesh = known.get(part) ?? madeWith(kernel, (k) => part.make(k, 48));
    known.set(part, mesh);
    return mesh;
  };
  fc.assert(
    fc.property(fc.constantFrom(...truthTable), fc.integer({ min: 1, max: 359 }), (part, deg) => {
      // What nearly fills the plate fits one way and not the other.
      const isSame = (words: string) => !words.startsWith('size');
      expect(verdicts(turned(meshOf(part), turn('z', deg))).filter(isSame)).toEqual(
        verdicts(meshOf(part)).filter(isSame),
      );
    }),
    { numRuns: 60 },
  );
});

describe.each(truthTable)('$name', (part) => {
  it('is judged and measured rightly', () => {
    expect(faults(part.is, checked(madeWith(kernel, (k) => part.make(k, SIDES))))).toEqual([]);
  });

  it('is judged alike turned, laid down anew, and drawn more finely', () => {
    const mesh = madeWith(kernel, (k) => part.make(k, SIDES));
    expect(faults(part.is, checked(turned(mesh, turn('z', 30))))).toEqual([]);
    expect(faults(part.is, checked(laidDownAgain(mesh)))).toEqual([]);
    expect(faults(part.is, checked(madeWith(kernel, (k) => part.make(k, 2 * SIDES))))).toEqual([]);
  });
});

it('no figure contradicts its verdict: what decides for another reason says that', () => {
  const contradictions = truthTable.flatMap((part) =>
    inspect(
      madeWith(kernel, (k) => part.make(k, SIDES)),
      classroomLimits,
      { isForeign: true },
    ).checks.flatMap(({ id, verdict, measured, rule, limit, reason }) => {
      const ofFigure = measured === null ? undefined : judge(measured, rule, limit);
      const isSaid = ofFigure ? !isWorse(verdict, ofFigure) : verdict === 'pass' || reason;
      const isDenied = verdict === 'pass' && ofFigure === 'fail';
      return isSaid && !isDenied ? [] : [`${part.name}: ${id} ${verdict} ${measured} ${rule} ${limit}`];
    }),
  );
  expect(contradictions).toEqual([]);
});
