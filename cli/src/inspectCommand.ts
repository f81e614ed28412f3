import {
  Inspecting,
  type CheckResult,
  type Inspection,
  type InspectionContext,
  type LimitsCard,
} from '@kelbrin/core/inspect';
import { setDown, type SolidMesh } from '@kelbrin/core/mesh';
import { readBriefRules, readLimits, readPart } from './files.ts';
import { Unusable, type ExitCode, type Output } from './outcome.ts';
import { say } from '@kelbrin/core/words';

/** What `inspect` was asked to do. */
export interface InspectRequest {
  readonly files: readonly string[];
  readonly limits?: string;
  /** A file with what a brief asks. */
  readonly brief?: string;
  readonly json: boolean;
  /** Whether findings shall tell the triangles that they are about. */
  readonly region: boolean;
  /** Whether parts shall be sliced however long that takes, to tell what printing them takes. */
  readonly print: boolean;
}

/** Parts with more triangles are sliced only where that is asked for, and no longer than this otherwise, ms. */
const QUICKLY_SLICED = 100_000;
const QUICKLY_MS = 5000;

/**
 * Inspects part files one after the other. A file that cannot be used is said on the error output and the others are
 * still inspected. Throws {@link Unusable} when the limits cannot be used, since then no verdict means anything.
 */
export async function inspectCommand(request: InspectRequest, output: Output): Promise<ExitCode> {
  const limits = await readLimits(request.limits);
  const brief = await readBriefRules(request.brief);
  let code: ExitCode = 0;
  for (const file of request.files) {
    try {
      const read = await readPart(file);
      const mesh = setDown(read.mesh);
      const isSliced = request.print || mesh.triangles.length / 3 <= QUICKLY_SLICED;
      const tell = (words: string) => output.progress?.(words === '' ? '' : `${file}: ${words}`);
      // The kernel is loaded for slicing alone.
      const print = isSliced
        ? await (
            await import('./needsOf.ts')
          ).needsOf(mesh, limits, request.print ? Infinity : QUICKLY_MS, (done) =>
            tell(say('Slicing ({done})', { done })),
          )
        : undefined;
      const known = { isForeign: true, mended: read.mended, brief, print };
      const result = inspected(mesh, limits, known, tell);
      const region = (faces: readonly number[]) => (request.region ? { region: cornersOf(mesh, faces) } : {});
      output.out(request.json ? jsonLine(file, result, region) : report(file, result));
      if (!print && !request.json)
        output.out(
          say(
            '  Time and filament were not checked, since slicing this part takes long. To wait for it, add --print.',
          ),
        );
      if (result.verdict === 'fail' && code === 0) code = 1;
    } catch (error) {
      if (!(error instanceof Unusable)) throw error;
      output.err(error.message);
      code = 2;
    }
  }
  return code;
}

/** Inspects a part, telling how far it is, since a large one takes seconds. */
function inspected(
  mesh: SolidMesh,
  limits: LimitsCard,
  known: InspectionContext,
  tell: (words: string) => void,
): Inspection {
  const steps = new Inspecting(mesh, limits, known).inSteps();
  for (;;) {
    const step = steps.next();
    if (step.done) {
      tell('');
      return step.value;
    }
    tell(
      say('{title} ({done} of {of})', {
        title: step.value.title,
        done: step.value.done + 1,
        of: step.value.of,
      }),
    );
  }
}

/** The corners of triangles, nine numbers each, as the part stands on the plate. */
function cornersOf({ positions, triangles }: SolidMesh, faces: readonly number[]): number[][] {
  return faces.map((face) =>
    [0, 1, 2].flatMap((k) => {
      const at = 3 * triangles[3 * face + k];
      return [...positions.subarray(at, at + 3)].map((value) => Math.round(1000 * value) / 1000);
    }),
  );
}

/** One line of JSON for programs. Steps are left out: a bare file has no recipe to point at. */
function jsonLine(
  file: string,
  { verdict, part, checks }: Inspection,
  region: (faces: readonly number[]) => object,
): string {
  const plainChecks = checks.map(({ id, verdict, measured, limit, unit, findings }) => ({
    id,
    verdict,
    measured,
    limit,
    unit,
    findings: findings.map(({ verdict, measured, unit, at, message, hole, triangles }) => ({
      verdict,
      measured,
      unit,
      at,
      message,
      ...hole,
      ...region(triangles),
    })),
  }));
  return JSON.stringify({ file, verdict, part, checks: plainChecks });
}

/** A few lines for people: the part, then each check with what it found. */
function report(file: string, { verdict, part, checks }: Inspection): string {
  const size = part.sizeMm.map((mm) => mm.toFixed(2)).join(' × ');
  const cm3 = (part.volumeMm3 / 1000).toFixed(2);
  const bodies = part.bodies === 1 ? say('one body') : say('{bodies} bodies', { bodies: part.bodies });
  return [
    `${file}: ${verdict}`,
    say('  {size} mm, {cm3} cm³, {bodies}, {triangles} triangles', {
      size,
      cm3,
      bodies,
      triangles: part.triangles,
    }),
    ...checks.flatMap(checkLines),
  ].join('\n');
}

function checkLines({ id, verdict, measured, reason, limit, unit, rule, findings }: CheckResult): string[] {
  const bound = `${rule === 'atLeast' ? say('at least') : say('at most')} ${limit} ${unit}`;
  // The limit is that of the figure, and not of what decides in its place.
  const words = reason ?? `${measured === null ? 'none' : `${measured} ${unit}`} (${bound})`;
  const head = `  ${verdict.padEnd(4)}  ${id.padEnd(9)} ${words}`;
  return [
    head,
    ...findings.map(({ message, at }) => say('          {message} At {at}.', { message, at: at.join(', ') })),
  ];
}
