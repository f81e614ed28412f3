import { formatNumber } from '../recipe/index.ts';
import { say } from '../words/index.ts';
import { codeLines, type CodeLine, type UnreadLine } from './codeLines.ts';
import type { CodeValues } from './codeValues.ts';
import { commandProblem } from './commands.ts';
import { isOnPlate, type CodePlace, type MachineSheet } from './machineSheet.ts';
import { choosesFilament } from './purge.ts';
import { writtenPiece } from './writtenCode.ts';

/** What is wrong in a line of code. */
export interface CodeProblem {
  /** Counted from 1. */
  readonly line: number;
  /** A sentence, without the number of the line. */
  readonly message: string;
}

/** Colder than this, filament cannot be pushed, and would be ground to dust. */
const SOFT_C = 170;
/** A nozzle that is so far over the part does not burn it. */
const CLEAR_MM = 1;

/**
 * What is wrong with the code of a sheet at one of its places, line by line: what cannot be read or is not known, filament
 * that is pushed cold, moves off the plate, heat beyond what the printer stands, and motors that go off while the hot nozzle
 * is over the part.
 *
 * @param values what the code names, of a batch at hand or as it might be
 */
export function codeProblems(place: CodePlace, sheet: MachineSheet, values: CodeValues): CodeProblem[] {
  const { lines, unread } = codeLines(sheet.code[place]);
  const head = new Head(place, sheet, values);
  const found = [...unread.map(unreadProblem)];
  for (const line of lines) {
    const problem = lineProblem(line, head, sheet, values);
    if (problem !== undefined) found.push({ line: line.number, message: problem });
  }
  if (place === 'filamentChange' && sheet.filaments > 1 && !choosesFilament(sheet.code.filamentChange))
    found.push({ line: lines.length, message: say('Nothing here changes the filament: write T{filament}.') });
  return found.sort((a, b) => a.line - b.line);
}

function unreadProblem({ number, why, what }: UnreadLine): CodeProblem {
  const message =
    why === 'bracket'
      ? say('A curly bracket is open or closed twice.')
      : say('“{what}” is not a command that Kelbrin can read.', { what });
  return { line: number, message };
}

function lineProblem(
  line: CodeLine,
  head: Head,
  sheet: MachineSheet,
  values: CodeValues,
): string | undefined {
  for (const piece of line.pieces) {
    const written = writtenPiece(piece, values);
    if (!written.ok) return sentence(written.message);
  }
  if (line.command === undefined) return undefined;
  const words = new Map(
    line.words.map(({ letter, value }) => {
      const text = value
        .map((piece) => writtenPiece(piece, values))
        .map((each) => (each.ok ? each.text : ''))
        .join('');
      return [letter, text === '' ? undefined : Number(text)] as const;
    }),
  );
  const command = line.command === 'T' ? `T${words.get('T')}` : line.command;
  const unknown = commandProblem(command, sheet);
  return unknown === undefined ? head.carryOut(command, words) : sentence(unknown);
}

/** What is known of a printer while its code is read: where the nozzle is, how hot, and how its words are meant. */
class Head {
  readonly #sheet: MachineSheet;
  readonly #topMm: number;
  #x: number | undefined;
  #y: number | undefined;
  #z: number | undefined;
  #isRelative = false;
  /** Whether filament can be moved. */
  #isHot: boolean;
  /** Whether the nozzle may still be so warm that it harms what it touches: it cools only while one waits for that. */
  #isWarm: boolean;
  /** Whether the nozzle is so near to a part that its heat would harm it. */
  #isOverPart: boolean;

  constructor(place: CodePlace, sheet: MachineSheet, values: CodeValues) {
    this.#sheet = sheet;
    const numberOf = (name: string) => (typeof values[name] === 'number' ? values[name] : 0);
    // Before a print everything is cold and nowhere known; later the nozzle is hot, and over what it printed last.
    this.#isHot = this.#isWarm = place !== 'before';
    this.#isOverPart = place !== 'before';
    this.#topMm = place === 'after' ? numberOf('topMm') : numberOf('zMm');
    this.#z = place === 'before' ? undefined : this.#topMm;
  }

  /** Carries a command out as far as it matters here. Hands out what is wrong with it, in a sentence. */
  carryOut(command: string, words: ReadonlyMap<string, number | undefined>): string | undefined {
    const figure = words.get('S') ?? words.get('R');
    switch (command) {
      case 'G90':
      case 'G91':
        this.#isRelative = command === 'G91';
        return undefined;
      case 'G28':
        this.#home(words);
        return undefined;
      case 'G92':
        return this.#renamePlace(words);
      case 'G0':
      case 'G1':
      case 'G2':
      case 'G3':
        return this.#move(words);
      case 'G10':
      case 'G11':
        return this.#isHot ? undefined : cold();
      case 'M104':
      case 'M109':
        return this.#heatNozzle(figure, command === 'M109');
      case 'M140':
      case 'M190':
        return this.#heatPlate(figure);
      case 'M17':
      case 'M18':
      case 'M84':
        return command !== 'M17' && this.#isWarm && this.#isOverPart
          ? say('The motors go off while the hot nozzle is over the part: raise it, or let it cool first.')
          : undefined;
    }
    return undefined;
  }

  #home(words: ReadonlyMap<string, unknown>): void {
    const isAll = !['X', 'Y', 'Z'].some((letter) => words.has(letter));
    if (isAll || words.has('X')) this.#x = 0;
    if (isAll || words.has('Y')) this.#y = 0;
    if (isAll || words.has('Z')) this.#z = 0;
  }

  /** After another position is set, nobody could tell what is off the plate. */
  #renamePlace(words: ReadonlyMap<string, unknown>): string | undefined {
    return ['X', 'Y', 'Z'].some((letter) => words.has(letter))
      ? say('G92 may only set E here: leave out X, Y and Z.')
      : undefined;
  }

  #move(words: ReadonlyMap<string, number | undefined>): string | undefined {
    const pushed = words.get('E') ?? 0;
    if (pushed !== 0 && !this.#isHot) return cold();
    const to = (letter: string, from: number | undefined) => {
      const word = words.get(letter);
      if (word === undefined) return from;
      return this.#isRelative ? (from === undefined ? undefined : from + word) : word;
    };
    [this.#x, this.#y, this.#z] = [to('X', this.#x), to('Y', this.#y), to('Z', this.#z)];
    if (this.#z !== undefined) this.#isOverPart &&= this.#z < this.#topMm + CLEAR_MM;
    return this.#offPlate();
  }

  #offPlate(): string | undefined {
    const { heightMm } = this.#sheet;
    const [x, y, z] = [this.#x, this.#y, this.#z];
    if (z !== undefined && (z < 0 || z > heightMm))
      return say('The nozzle would go to a height of {mm} mm: this printer can reach 0 to {heightMm} mm.', {
        mm: formatNumber(z),
        heightMm,
      });
    // A side that is not known yet is taken for one on the plate.
    const isOn = isOnPlate(this.#sheet, x ?? this.#middle, y ?? this.#middle);
    return isOn
      ? undefined
      : say('The nozzle would leave the plate, to {x} and {y} mm.', {
          x: x === undefined ? '…' : formatNumber(x),
          y: y === undefined ? '…' : formatNumber(y),
        });
  }

  /** A place along x or y that is on every plate with this origin. */
  get #middle(): number {
    return this.#sheet.origin === 'middle' ? 0 : 1;
  }

  #heatNozzle(c: number | undefined, waits: boolean): string | undefined {
    const { maxNozzleC } = this.#sheet;
    if (c === undefined) return say('The temperature is missing: write S and the degrees.');
    if (c > maxNozzleC) return tooHot(say('the nozzle'), c, maxNozzleC);
    if (c < SOFT_C) {
      this.#isHot = false;
      if (waits) this.#isWarm = false;
    } else {
      this.#isWarm = true;
      if (waits) this.#isHot = true;
    }
    return undefined;
  }

  #heatPlate(c: number | undefined): string | undefined {
    const { heatsPlate, maxPlateC } = this.#sheet;
    if (c === undefined) return say('The temperature is missing: write S and the degrees.');
    if (!heatsPlate) return c === 0 ? undefined : say('This printer does not heat its plate.');
    return c > maxPlateC ? tooHot(say('the plate'), c, maxPlateC) : undefined;
  }
}

const cold = () => say('Filament is moved while the nozzle is cold: wait for it with M109 first.');

function tooHot(what: string, c: number, hottestC: number): string {
  return say('{c} °C is too hot for {what}: this printer allows {hottestC} °C.', {
    c: formatNumber(c),
    what,
    hottestC: formatNumber(hottestC),
  });
}

function sentence(words: string): string {
  return `${words[0].toUpperCase()}${words.slice(1)}${/[.!?]$/.test(words) ? '' : '.'}`;
}
