import * as z from 'zod';
import { say } from '@kelbrin/core/words';

/** What of a printer is looked after from time to time. */
export const careKinds = ['nozzle', 'belts', 'plate'] as const;
export type CareKind = (typeof careKinds)[number];

/** After so many hours of printing each is due, as makers of ordinary printers advise. */
export const careEveryHours: Readonly<Record<CareKind, number>> = { nozzle: 300, belts: 200, plate: 50 };

/** What is written down when something was looked after. */
export const careDraft = z.strictObject({
  kind: z.enum(careKinds, { error: () => say('Say what was looked after.') }),
  note: z
    .string()
    .trim()
    .max(300, { error: () => say('A note has at most 300 characters.') })
    .default(''),
});
