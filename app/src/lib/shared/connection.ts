import * as z from 'zod';

/** Speeds of a USB cable that printers are set to, bits a second; the usual one first. */
export const baudRates = [115_200, 250_000, 230_400, 57_600, 500_000] as const;

/** How a printer is reached. */
export const connection = z.discriminatedUnion('way', [
  z.strictObject({ way: z.literal('network'), host: z.string(), port: z.int().min(1).max(65_535) }),
  z.strictObject({ way: z.literal('usb'), path: z.string(), baudRate: z.int().min(1200).max(2_000_000) }),
  z.strictObject({
    way: z.literal('card'),
    /** The card that files are written onto; null where they are downloaded. */
    card: z.string().nullable(),
  }),
]);
export type Connection = z.infer<typeof connection>;

/** Whether a person carries files to the printer, and says how its run goes. */
export function isByHand({ way }: Pick<Connection, 'way'>): boolean {
  return way === 'card';
}
