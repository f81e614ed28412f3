import * as z from 'zod';
import { numberField, type NumberRules } from './number.ts';
import { say } from '@kelbrin/core/words';

export const printerPort: NumberRules = { min: 1, max: 65_535, whole: true };

/** A printer as it is noted: what it is called, and where on the network it answers. */
export const printerDraft = z.strictObject({
  name: z
    .string()
    .trim()
    .min(1, { error: () => say('Say what the printer is called.') })
    .max(24, { error: () => say('The name is longer than 24 characters.') }),
  model: z
    .string()
    .trim()
    .max(60, { error: () => say('The model is longer than 60 characters.') }),
  /** The sheet of its model; empty for none. */
  sheetId: z.string().max(36).default(''),
  host: z
    .string()
    .trim()
    .regex(/^[a-z0-9]([a-z0-9.:-]{0,251}[a-z0-9])?$/i, {
      error: () => say('Give the printer’s address, such as 192.168.1.20.'),
    }),
  port: numberField(printerPort, () => say('Give the port, such as 9100.')),
});
