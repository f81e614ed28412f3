export { checks, whyOf } from './checks/index.ts';
export type { AboutPart, BriefRules, PrintNeeds } from './aboutPart.ts';
export { inspect, inspectInSteps, withPrintNeeds, type Progress } from './inspect.ts';
export {
  inspection,
  measuredWords,
  type CheckResult,
  type Finding,
  type Inspection,
  type PartFacts,
} from './inspection.ts';
export { classroomLimits, limitsCard, parseLimits, type LimitsCard } from './limits.ts';
export { thicknessMap, type ThicknessMap } from './thickness.ts';
export { factsOf } from './subject.ts';
export { svgOf, type Why } from './why.ts';
export { judge, WARN_BAND, worst, type Verdict } from './verdict.ts';
