import { guessUnit, selfCrossings } from '../../mesh/index.ts';
import { formatNumber } from '../../recipe/amount.ts';
import type { Check } from './check.ts';
import type { Finding } from '../result/inspection.ts';
import { middleOf, rounded, type Subject } from '../measure/subject.ts';
import { figured } from '../result/figured.ts';
import { worst } from '../result/verdict.ts';
import { said, say } from '../../words/index.ts';

/** So many crossings tell enough. */
const MOST_CROSSINGS = 50;

/** Looks whether the surface is that of a solid: closed, and nowhere passing through itself. */
export const mesh: Check<'mesh'> = {
  id: 'mesh',
  get title() {
    return say('Solid');
  },
  why: {
    words: said([
      'A printer needs to know what is inside and what is outside.',
      'Where the surface is open or passes through itself, nobody can tell, and layers go missing.',
    ]),
    drawing: [
      ['solid', 'M30 52V14H55V19H35V47H85V19H65V14H90V52Z'],
      ['trouble', 'M55 14H65V19H55Z'],
    ],
  },
  notes: {
    measures:
      'Edges that have a triangle on one side only, and places where an edge of one triangle passes through another by more than 0.002 mm. Bodies that pass through each other are joined by the slicer and only warn.',
    limit:
      'None of either. What was mended when the file was read warns: triangles that were there twice or faced the wrong way, holes of at most twelve edges, bodies that were inside out. What is missing more is refused, with the place. A part that is hardly larger than a fingernail warns that its file may be in inches or metres.',
    blindSpots:
      'Triangles that lie in one plane on top of each other, and ones that share a corner, are not held against each other. A solid that was made from a recipe cannot cross itself and is not searched.',
  },
  inspect(subject) {
    const findings = [...openEdges(subject), ...mended(subject), ...crossings(subject), ...unit(subject)];
    const faults = findings.filter(({ verdict }) => verdict === 'fail');
    return figured(
      {
        verdict: worst(findings.map(({ verdict }) => verdict)),
        measured: faults.reduce((sum, { measured }) => sum + measured, 0),
        limit: 0,
        unit: '',
        rule: 'atMost',
        findings,
      },
      () => say('to be looked at'),
    );
  },
};

function openEdges(subject: Subject): Finding[] {
  const { topology } = subject;
  if (topology.openEdges === 0) return [];
  const open = [...topology.neighbours].flatMap((other, edge) => (other < 0 ? [Math.floor(edge / 3)] : []));
  return [
    {
      verdict: 'fail',
      measured: topology.openEdges,
      unit: '',
      at: middleOf(subject, open[0]),
      message: say('The surface is open here, at {openEdges} edges: nothing says what is inside.', {
        openEdges: topology.openEdges,
      }),
      steps: subject.stepsOf(open),
      triangles: open,
    },
  ];
}

/** What was mended when the file was read is said, so that somebody looks whether it is right. */
function mended(subject: Subject): Finding[] {
  const { mended: sentences = [] } = subject.about;
  return sentences.map((message) => ({
    verdict: 'warn',
    measured: 1,
    unit: '',
    at: middleOf(subject, 0),
    message,
    steps: [],
    triangles: [],
  }));
}

/** Bodies that pass through each other are joined when they are sliced; a body that passes through itself is none. */
function crossings(subject: Subject): Finding[] {
  if (!subject.about.isForeign) return [];
  const { bodyOf } = subject.topology;
  const found = selfCrossings(subject.mesh, subject.tree, MOST_CROSSINGS);
  const ofOne = found.filter(({ faces: [a, b] }) => bodyOf[a] === bodyOf[b]);
  const ofTwo = found.filter(({ faces: [a, b] }) => bodyOf[a] !== bodyOf[b]);
  const told = (list: typeof found, verdict: 'fail' | 'warn', message: string): Finding[] =>
    list.length === 0
      ? []
      : [
          {
            verdict,
            measured: list.length,
            unit: '',
            at: list[0].at.map(rounded) as Finding['at'],
            message,
            steps: [],
            triangles: [...new Set(list.flatMap(({ faces }) => faces))],
          },
        ];
  return [
    ...told(
      ofOne,
      'fail',
      say('The surface passes through itself here, so that inside and outside cannot be told apart.'),
    ),
    ...told(
      ofTwo,
      'warn',
      say('Two bodies pass through each other here; they are printed as one, but are counted twice.'),
    ),
  ];
}

/** A part that is tiny in millimetres was likely drawn in inches or metres. */
function unit(subject: Subject): Finding[] {
  const longest = Math.max(...subject.facts.sizeMm);
  const guess = guessUnit(longest);
  if (guess === 'mm' || longest === 0 || !subject.about.isForeign) return [];
  const words = formatNumber(rounded(longest));
  const other =
    guess === 'in'
      ? say('in inches it would be {longest} mm', { longest: formatNumber(Math.round(254 * longest) / 10) })
      : say('in metres it would be {longest} mm', { longest: formatNumber(Math.round(1000 * longest)) });
  const all = [...subject.topology.bodyOf.keys()];
  return [
    {
      verdict: 'warn',
      measured: rounded(longest),
      unit: 'mm',
      at: middleOf(subject, 0),
      message: say('The whole part is only {words} mm long: was it drawn in another unit? Taken {other}.', {
        words,
        other,
      }),
      steps: [],
      triangles: all,
    },
  ];
}
