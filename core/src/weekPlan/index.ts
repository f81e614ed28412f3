export { outlookOf, type BriefOutlook } from './outlook.ts';
export { planWeek, type Budget } from './planWeek.ts';
export { priceOf } from './price.ts';
export {
  CHANGE_S,
  CLEAR_S,
  type Attended,
  type Kind,
  type PinnedBatch,
  type PlannedPrinter,
  type WaitingPart,
  type WeekBatch,
  type WeekProblem,
} from './week.ts';
