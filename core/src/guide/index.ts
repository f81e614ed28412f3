export {
  condition,
  conditionKinds,
  conditionTokens,
  conditionWords,
  withConditionField,
  type Condition,
  type Progress,
} from './conditions/index.ts';
export {
  guidance,
  MOST_PROMPTS,
  parseGuidance,
  standingIn,
  type Guidance,
  type Prompt,
  type Standing,
} from './guidance.ts';
export { firstSteps, isMended, shownBy, type FirstStep } from './firstSteps.ts';
