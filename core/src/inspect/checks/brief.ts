import type { PrintNeeds } from '../measure/aboutPart.ts';
import type { BriefRules } from '../requirements/briefRules.ts';
import type { PrintCheck } from './check.ts';
import type { CheckResult, Finding } from '../result/inspection.ts';
import {
  requirementKindOf,
  requirementKinds,
  requirementWords,
  type Answer,
  type Requirement,
} from '../requirements/index.ts';
import { rounded } from '../measure/subject.ts';
import { worst } from '../result/verdict.ts';
import { said, say } from '../../words/index.ts';

/** Holds the part against what its brief asks. Requirements that are met are reported too, since pupils look for them. */
export const brief: PrintCheck<'brief'> = {
  id: 'brief',
  get title() {
    return say('The brief');
  },
  why: {
    words: said([
      'The brief says what the part is for.',
      'A part that misses what it asks may print well and still be of no use.',
    ]),
    drawing: [
      ['solid', 'M30 52V30H90V52ZM52 52V40H68V52Z'],
      ['line', 'M18 10H74M18 18H62'],
      ['trouble', 'M52 52V40H68V52Z'],
    ],
  },
  notes: {
    get measures() {
      const asked = requirementKinds.map((kind) => `- ${requirementWords(kind.create())}`);
      return `How many of the brief’s requirements are met, of those that can be told. It can ask that a part\n\n${asked.join('\n')}`;
    },
    limit:
      'Each as it says. An edge is sharp where the surface turns by more than 50°, and outer where nothing lies further out that way; an object fits as the allowance of `fitAllowanceMm` says that is nearest to the play of the printed hole.',
    blindSpots:
      'Letters are told by the recipe alone. A clip counts as a hole where it reaches around by at least 200°.',
  },
  inspect(subject, limits, { requirements = [] }) {
    const { print } = subject.about;
    const middle = subject.box.min.map((low, axis) => rounded((low + subject.box.max[axis]) / 2));
    return resultOf(
      requirements.flatMap((each, index): Finding[] => {
        const { ofPart, ofPrint } = requirementKindOf(each);
        if (ofPrint && print) return [findingOf(index, each, ofPrint(each, print), NOWHERE)];
        const answer = ofPart?.(each, subject, limits);
        if (!answer) return [];
        const found = findingOf(index, each, answer, middle as Finding['at']);
        return [{ ...found, steps: subject.stepsOf(found.triangles) }];
      }),
    );
  },
  withPrint(before, print, _, rules) {
    return resultOf([
      ...before.findings.filter(({ requirement }) => !asksOfPrint(rules, requirement!)),
      ...findingsOfPrint(rules, print),
    ]);
  },
};

function asksOfPrint(rules: BriefRules, index: number): boolean {
  const requirement = rules.requirements?.[index];
  return requirement !== undefined && requirementKindOf(requirement).ofPrint !== undefined;
}

function findingsOfPrint(rules: BriefRules, print: PrintNeeds): Finding[] {
  return (rules.requirements ?? []).flatMap((each, index) => {
    const answer = requirementKindOf(each).ofPrint?.(each, print);
    return answer ? [findingOf(index, each, answer, NOWHERE)] : [];
  });
}

/** Where findings are that are about the whole print. */
const NOWHERE: Finding['at'] = [0, 0, 0];

function findingOf(index: number, asked: Requirement, answer: Answer, middle: Finding['at']): Finding {
  const words = requirementWords(asked);
  const { isMet, measured, unit, limit, said, at, triangles = [] } = answer;
  return {
    verdict: isMet ? 'pass' : 'fail',
    measured,
    unit,
    at: (at?.map(rounded) as Finding['at'] | undefined) ?? middle,
    message: `${isMet ? say('Met: the part {words}.', { words }) : say('Not met: the part {words}.', { words })}${said ? ` ${said[0].toUpperCase()}${said.slice(1)}.` : ''}`,
    steps: [],
    triangles: [...triangles],
    ...(limit === undefined ? {} : { limit }),
    requirement: index,
  };
}

/** How many of the requirements that could be looked at are met. */
function resultOf(findings: Finding[]): Omit<CheckResult, 'id' | 'title'> {
  findings.sort((a, b) => a.requirement! - b.requirement!);
  return {
    verdict: worst(findings.map(({ verdict }) => verdict)),
    measured: findings.length > 0 ? findings.filter(({ verdict }) => verdict === 'pass').length : null,
    limit: findings.length,
    unit: '',
    rule: 'atLeast',
    findings,
  };
}
