import * as z from 'zod';

/** A printer as it is noted: what it is called, and where on the network it answers. */
export const printerDraft = z.strictObject({
  name: z
    .string()
    .trim()
    .min(1, 'Say what the printer is called.')
    .max(24, 'The name is longer than 24 letters.'),
  model: z.string().trim().max(60, 'The model is longer than 60 letters.'),
  host: z
    .string()
    .trim()
    .regex(/^[a-z0-9]([a-z0-9.:-]{0,251}[a-z0-9])?$/i, 'Give the printer’s address, such as 192.168.1.20.'),
  port: z.coerce
    .number('The port is a number.')
    .int('The port is a whole number.')
    .min(1, 'The port is between 1 and 65535.')
    .max(65_535, 'The port is between 1 and 65535.'),
});
