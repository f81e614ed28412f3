import { pino, stdSerializers, type DestinationStream, type Logger } from 'pino';

/**
 * Names of fields that say who somebody is, what somebody made or how somebody signs in. A line of the log carries ids;
 * what else slips into it under one of these names is left out.
 */
const PRIVATE = [
  'name',
  'email',
  'pin',
  'password',
  'token',
  'cookie',
  'words',
  'note',
  'design',
  'recipe',
  'body',
  'params',
  'query',
  'search',
];

/** What a fault was, without what a query was asked with or what a request had brought. */
function plainError(error: unknown): Record<string, unknown> {
  if (!(error instanceof Error)) return { type: typeof error };
  const { type, message, stack } = stdSerializers.err(error);
  const [first] = message.split('\nparams:');
  // A stack repeats the message, of which the first line may be all that can be told.
  const frames = (stack ?? '').split('\n').filter((line) => /^\s+at /.test(line));
  return {
    type,
    code: (error as { code?: unknown }).code,
    message: first,
    at: frames.slice(0, 12).map((line) => line.trim()),
    ...(error.cause === undefined ? {} : { cause: plainError(error.cause) }),
  };
}

/** A log of a process; lines are JSON, on the standard error unless another place is given. */
export function logTo(destination?: DestinationStream): Logger {
  const options = {
    level: process.env.KELBRIN_LOG_LEVEL ?? 'info',
    base: undefined,
    timestamp: () => `,"at":"${new Date().toISOString()}"`,
    formatters: { level: (level: string) => ({ level }) },
    serializers: { err: plainError },
    redact: { paths: PRIVATE.flatMap((field) => [field, `*.${field}`, `*.*.${field}`]), remove: true },
  };
  return pino(options, destination ?? pino.destination(2));
}

/** The log of this process. */
export const log = logTo();
