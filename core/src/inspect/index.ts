export { checks, checkTitle, whyOf } from './checks/index.ts';
export type { PrintNeeds } from './aboutPart.ts';
export { briefRules, parseBriefRules, type BriefRules } from './briefRules.ts';
export { inspect, inspectInSteps, withPrintNeeds, type Known, type Progress } from './inspect.ts';
export { CURRENCY, inHours, inMoney } from './inWords.ts';
export {
  inspection,
  measuredWords,
  type CheckResult,
  type Finding,
  type Inspection,
  type PartFacts,
} from './inspection.ts';
export { limitAt, limitFields, limitLabel, withLimit, type LimitField } from './limitFields.ts';
export { classroomLimits, limitsCard, parseLimits, type LimitsCard } from './limits.ts';
export {
  kindOf,
  requirement,
  requirementKinds,
  requirementTokens,
  requirementWords,
  withRequirementField,
  type Requirement,
} from './requirements/index.ts';
export { printedSizes, type PrintedSize } from './printedSizes.ts';
export { thicknessMap, type ThicknessMap } from './thickness.ts';
export { factsOf } from './subject.ts';
export { svgOf, type Why } from './why.ts';
export { judge, WARN_BAND, worst, type Verdict } from './verdict.ts';
