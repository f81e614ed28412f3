import { onlyFaces, volumeOf } from '../../mesh/index.ts';
import { formatMeasured, formatNumber } from '../../recipe/amount.ts';
import type { Check } from './check.ts';
import type { Finding } from '../result/inspection.ts';
import { jointsOf, SAME_PLACE_MM } from '../measure/joints.ts';
import { middleOf, rounded, type Subject } from '../measure/subject.ts';
import { figured } from '../result/figured.ts';
import { judge, worst } from '../result/verdict.ts';
import { said, say } from '../../words/index.ts';

/**
 * Counts separate bodies, of which all but the one with the largest surface would come off the printer as loose pieces,
 * and looks for joints between two lumps of a body that are too thin to hold.
 */
export const bodies: Check<'bodies'> = {
  id: 'bodies',
  get title() {
    return say('Bodies');
  },
  why: {
    words: said([
      'What does not touch the rest comes off the plate as a piece of its own.',
      'Pieces that hang together by a hair break apart in your hand.',
    ]),
    drawing: [
      ['solid', 'M16 52V24H52V52Z'],
      ['trouble', 'M62 52V24H100V52Z'],
    ],
  },
  notes: {
    measures:
      'Pieces whose surfaces touch nowhere; and joints: necks of a section from one hollow of its outline to another, where the upright plane through the neck holds no larger circle either; and sections narrower than something below and something above them.',
    limit: 'One body (more only warn where the brief allows them); `minWallMm` for joints.',
    blindSpots: 'A joint counts where both sides are on average at least 1.6 times as wide.',
  },
  inspect(subject, { minWallMm }, brief) {
    const { topology, facts } = subject;
    const sizes = new Float64Array(topology.bodies);
    topology.bodyOf.forEach((body, face) => (sizes[body] += subject.faces.areas[face]));
    const largest = sizes.indexOf(Math.max(...sizes));
    const pieces: number[][] = Array.from({ length: topology.bodies }, () => []);
    topology.bodyOf.forEach((body, face) => pieces[body].push(face));
    const loose = pieces
      .filter((triangles, body) => body !== largest && !isHollow(subject, triangles))
      .map((triangles): Finding => {
        const areaMm2 = sizes[topology.bodyOf[triangles[0]]];
        const area = formatNumber(Math.round(areaMm2));
        return {
          verdict: brief.severalBodies ? 'warn' : 'fail',
          measured: rounded(areaMm2),
          unit: 'mm²',
          at: middleOf(subject, triangles[0]),
          message: say(
            'This piece, with {area} mm² of surface, does not touch the rest: it would come off as a separate piece.',
            { area },
          ),
          steps: subject.stepsOf(triangles),
          triangles,
        };
      });
    const findings = [...loose, ...thinJoints(subject, minWallMm)];
    return figured(
      {
        verdict: worst(findings.map(({ verdict }) => verdict)),
        measured: facts.bodies === 0 ? null : loose.length + 1,
        limit: 1,
        unit: '',
        rule: 'atMost',
        findings,
      },
      ({ verdict, unit, measured }) =>
        verdict === 'warn'
          ? say('{count} pieces', { count: loose.length + 1 })
          : unit === 'mm'
            ? say('a joint of {mm} mm', { mm: formatMeasured(measured) })
            : say('a loose piece'),
    );
  },
};

function thinJoints(subject: Subject, minWallMm: number): Finding[] {
  const findings: Finding[] = [];
  for (const { mm, at, faces } of jointsOf(subject, minWallMm)) {
    if (judge(mm, 'atLeast', minWallMm) !== 'fail') break;
    const isTold = findings.some(
      (other) => Math.hypot(other.at[0] - at[0], other.at[1] - at[1]) < SAME_PLACE_MM,
    );
    if (isTold) continue;
    const is = say('Two pieces are joined by only {mm} mm here', {
      mm: formatMeasured(mm),
    });
    findings.push({
      verdict: 'fail',
      measured: rounded(mm),
      unit: 'mm',
      at: at.map(rounded) as Finding['at'],
      message: say('{is} and would break apart; a joint needs at least {minWallMm} mm.', {
        is,
        minWallMm: formatNumber(minWallMm),
      }),
      steps: subject.stepsOf(faces),
      triangles: [...faces],
    });
  }
  return findings;
}

/** Whether a closed surface is that of a hollow inside another body: its volume, with its direction, is less than nothing. */
function isHollow({ mesh }: Subject, faces: readonly number[]): boolean {
  return volumeOf(onlyFaces(mesh, faces)) < 0;
}
