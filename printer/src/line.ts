/** One line as it came over the wire: a command, perhaps numbered and with a checksum. */
export interface Line {
  readonly number?: number;
  readonly command: string;
  /** False when a checksum is given and wrong, or a numbered line has none. */
  readonly intact: boolean;
}

/**
 * Takes a line apart. `N12 M105*38` is command M105 with number 12; the checksum is the exclusive or of all bytes
 * before the star. Comments after a semicolon are dropped.
 */
export function parseLine(raw: string): Line {
  const content = raw.replace(/;.*$/, '').trim();
  const star = content.lastIndexOf('*');
  const body = star < 0 ? content : content.slice(0, star);
  const numbered = /^N(-?\d+)\s*/.exec(body);
  const command = body.slice(numbered?.[0].length ?? 0).trim();
  if (!numbered) return { command, intact: true };
  const intact = star >= 0 && Number(content.slice(star + 1)) === checksum(body);
  return { number: Number(numbered[1]), command, intact };
}

/** The exclusive or of the bytes of a line. */
export function checksum(body: string): number {
  let sum = 0;
  for (const byte of new TextEncoder().encode(body)) sum ^= byte;
  return sum;
}

/** A command's letter and number ("G1") and its parameters by letter. */
export interface Command {
  readonly code: string;
  readonly parameters: Readonly<Record<string, number>>;
  /** What follows the code, for commands that take a name. */
  readonly rest: string;
}

/** Reads a command; parameters without a number count as 0. */
export function parseCommand(command: string): Command {
  const [, code = '', rest = ''] = /^([A-Za-z]\d+)\s*(.*)$/.exec(command) ?? [];
  const parameters: Record<string, number> = {};
  for (const [, letter, number] of rest.matchAll(/([A-Za-z])(-?\d*\.?\d*)/g)) {
    parameters[letter.toUpperCase()] = Number(number) || 0;
  }
  return { code: code.toUpperCase(), parameters, rest: rest.trim() };
}
