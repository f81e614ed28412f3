import * as z from 'zod';
import { baudRates, type Connection } from './connection.ts';
import { numberField, type NumberRules } from './number.ts';
import { say } from '@kelbrin/core/words';

export const printerPort: NumberRules = { min: 1, max: 65_535, whole: true };

const hostDraft = z.string().regex(/^[a-z0-9]([a-z0-9.:-]{0,251}[a-z0-9])?$/i, {
  error: () => say('Give the printer’s address, such as 192.168.1.20.'),
});
const portDraft = numberField(printerPort, () => say('Give the port, such as 9100.'));

/** A printer as it is noted: what it is called, and how it is reached. */
export const printerDraft = z
  .strictObject({
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
    way: z.enum(['network', 'usb', 'card']).default('network'),
    host: z.string().trim().default(''),
    port: z.union([z.string(), z.number()]).default(''),
    path: z.string().trim().max(300).default(''),
    baudRate: z.coerce
      .number()
      .pipe(z.literal([...baudRates]))
      .catch(baudRates[0]),
    /** The card that files are written onto; empty where they are downloaded. */
    card: z.string().trim().max(60).default(''),
  })
  .check((context) => {
    const { way, host, port } = context.value;
    if (way !== 'network') return;
    const wrong = [hostDraft.safeParse(host), portDraft.safeParse(port)].find(({ success }) => !success);
    if (wrong)
      context.issues.push({ code: 'custom', message: wrong.error!.issues[0].message, input: context.value });
  });

/** How a printer is reached, of a draft that was read. */
export function connectionOf({
  way,
  host,
  port,
  path,
  baudRate,
  card,
}: z.output<typeof printerDraft>): Connection {
  if (way === 'usb') return { way, path, baudRate };
  if (way === 'card') return { way, card: card === '' ? null : card };
  return { way, host, port: portDraft.parse(port) };
}
