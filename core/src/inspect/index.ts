export { checks, checkTitle, whyOf, type CheckId } from './checks/index.ts';
export type { PrintNeeds } from './measure/aboutPart.ts';
export { briefRules, parseBriefRules, type BriefRules } from './requirements/briefRules.ts';
export { facesToHold } from './facesToHold.ts';
export { mayBeHeld } from './held.ts';
export { explainCheck, type Explanation } from './explain.ts';
export { inspect, withPrintNeeds } from './inspect.ts';
export { Inspecting, type InspectionContext, type Progress } from './inspecting.ts';
export { CURRENCY, inHours, inMoney } from './result/inWords.ts';
export {
  inspection,
  measuredWords,
  type CheckResult,
  type Finding,
  type Inspection,
  type PartFacts,
} from './result/inspection.ts';
export { limitAt, limitFields, limitLabel, withLimit, type LimitField } from './card/limitFields.ts';
export { classroomLimits, limitsCard, parseLimits, type LimitsCard } from './card/limits.ts';
export {
  requirementKindOf,
  requirement,
  requirementKinds,
  requirementTokens,
  requirementWords,
  withRequirementField,
  type Requirement,
} from './requirements/index.ts';
export { printedSizes, type PrintedSize } from './printedSizes.ts';
export { canBeTouched, marksStillOn, supportMarks, type SupportMark } from './supportMarks.ts';
export { thicknessMap, type ThicknessMap } from './measure/thickness.ts';
export { factsOf } from './measure/subject.ts';
export { svgOf, type DrawnShape, type Why } from './checks/why.ts';
export { isWorse, judge, WARN_BAND, worst, type Verdict } from './result/verdict.ts';
