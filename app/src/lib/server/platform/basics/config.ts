import { languages } from '@kelbrin/core/words';
import * as z from 'zod';

const environment = z.object({
  DATABASE_URL: z.url({ protocol: /^postgres(ql)?$/ }),
  /** Where the app is reached; sign-in cookies are sent over HTTPS alone when this is an https address. */
  ORIGIN: z.url().default('http://127.0.0.1:3000'),
  /** Signs the sessions; the commands make one at first start. */
  KELBRIN_SECRET: z.string().min(32),
  /** The language of the school. */
  KELBRIN_LANGUAGE: z.enum(languages.map(({ tag }) => tag)).default('en'),
  /** A folder whose folders are the memory cards in the server's reader, as where they are mounted. */
  KELBRIN_CARDS: z.string().optional(),
  /** A folder with further ports that printers are plugged into, beside those of the system. */
  KELBRIN_PORTS: z.string().optional(),
  /** The bundled worker that builds and inspects solids. */
  KELBRIN_COMPUTE_WORKER: z.string().default('app/dist/computeWorker.js'),
});

/** The settings of the server, from its environment. */
export type Config = z.infer<typeof environment>;

let config: Config | undefined;

/** Reads the environment once; throws a sentence that names each setting that is missing or wrong. */
export function serverConfig(): Config {
  if (config) return config;
  const parsed = environment.safeParse(process.env);
  if (!parsed.success) {
    const wrong = parsed.error.issues.map(({ path, message }) => `${path.join('.')}: ${message}`);
    throw new Error(`The server's settings are not complete: ${wrong.join('; ')}.`);
  }
  return (config = parsed.data);
}
