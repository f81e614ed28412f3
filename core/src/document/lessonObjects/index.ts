import { bracket } from './bracket.ts';
import { caneRings } from './caneRings.ts';
import { cloudTag } from './cloudTag.ts';
import { holeGauge } from './holeGauge.ts';
import type { LessonObject } from './lessonObject.ts';
import { seedBox } from './seedBox.ts';

/** Objects of ordinary lessons, in the order of the cookbook. */
export const lessonObjects: readonly LessonObject[] = [bracket, cloudTag, seedBox, caneRings, holeGauge];
export type { LessonObject } from './lessonObject.ts';
