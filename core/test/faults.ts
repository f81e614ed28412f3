import { classroomLimits, inspect, type CheckResult } from '../src/inspect/index.ts';
import type { SolidMesh } from '../src/mesh/index.ts';
import type { Truth } from './truthTable.ts';

/** How far a figure may lie off what is known. */
const tolerance = (id: string, measured: number) =>
  id === 'base'
    ? Math.max(0.02 * measured, 0.01)
    : id === 'overhang' || id === 'comfort'
      ? 1.5
      : Math.max(0.05, 0.01 * measured);

/** What the checks of a part that came from elsewhere say. */
export const checked = (mesh: SolidMesh): CheckResult[] =>
  inspect(mesh, classroomLimits, { isForeign: true }).checks;

/** What checks say otherwise than they should, a line each. */
export function faults(is: Readonly<Record<string, Truth>>, checks: readonly CheckResult[]): string[] {
  return Object.entries(is).flatMap(([id, [verdict, measured]]) => {
    const found = checks.find((check) => check.id === id)!;
    const isRight =
      measured === undefined ||
      (measured === null
        ? found.measured === null
        : found.measured !== null && Math.abs(found.measured - measured) <= tolerance(id, measured));
    if (found.verdict === verdict && isRight) return [];
    const because = found.findings.find((finding) => finding.verdict === found.verdict)?.message ?? '';
    return [`${id}: ${verdict} ${measured} expected, ${found.verdict} ${found.measured} found. ${because}`];
  });
}
