import { faultKinds, type FaultKind } from './faults.ts';
import { parseCommand, parseLine, type Command } from './line.ts';
import type { Machine } from './machine.ts';

/** What a printer that has stopped itself still answers. */
const STILL_ANSWERED = new Set(['M105', 'M110', 'M27', 'M115', 'M999']);

/**
 * One host's talk with the printer: line numbers and checksums are checked, each line is answered with `ok`, and
 * lines that come between M28 and M29 go into the storage.
 */
export class Conversation {
  readonly #machine: Machine;
  readonly #name: string;
  /** Whether to pretend that a line arrived damaged, as a long cable does now and then. */
  readonly #isDisturbed: () => boolean;
  readonly #fault: (kind: FaultKind) => void;
  #lastNumber = 0;
  #writing: { name: string; lines: string[] } | undefined;

  constructor(
    machine: Machine,
    name: string,
    isDisturbed: () => boolean = () => false,
    fault: (kind: FaultKind) => void = () => {},
  ) {
    this.#machine = machine;
    this.#name = name;
    this.#isDisturbed = isDisturbed;
    this.#fault = fault;
  }

  /** The lines that the printer answers to one line; none for an empty one. */
  answer(raw: string): string[] {
    const line = parseLine(raw);
    if (!line.command) return line.number === undefined ? [] : this.#refuse('No command in the line');
    if (line.number !== undefined) {
      if (!line.intact || this.#isDisturbed()) return this.#refuse('checksum mismatch');
      const command = parseCommand(line.command);
      if (command.code === 'M110') this.#lastNumber = command.parameters.N ?? line.number;
      else if (line.number !== this.#lastNumber + 1)
        return this.#refuse('Line Number is not Last Line Number+1');
      else this.#lastNumber = line.number;
    }
    const command = parseCommand(line.command);
    if (this.#writing && command.code !== 'M29') {
      this.#writing.lines.push(line.command);
      return ['ok'];
    }
    return this.#carryOut(command);
  }

  #refuse(reason: string): string[] {
    return [`Error:${reason}, Last Line: ${this.#lastNumber}`, `Resend: ${this.#lastNumber + 1}`, 'ok'];
  }

  #carryOut(command: Command): string[] {
    const machine = this.#machine;
    if (machine.halted && !STILL_ANSWERED.has(command.code)) return [`Error:${machine.halted}`, 'ok'];
    switch (command.code) {
      case 'M105':
        return [...(machine.halted ? [`Error:${machine.halted}`] : []), `ok ${this.#temperatures()}`];
      case 'M114':
        return [...this.#position(), 'ok'];
      case 'M115':
        return [
          `FIRMWARE_NAME:Kelbrin simulated printer MACHINE_TYPE:${this.#name} EXTRUDER_COUNT:${machine.filaments}`,
          'ok',
        ];
      case 'M20':
        return [
          'Begin file list',
          ...[...machine.files].map(([name, { length }]) => `${name} ${length}`),
          'End file list',
          'ok',
        ];
      case 'M23': {
        const name = command.rest;
        if (!machine.select(name)) return [`open failed, File: ${name}.`, 'ok'];
        return [`File opened: ${name} Size: ${machine.files.get(name)!.length}`, 'File selected', 'ok'];
      }
      case 'M24':
        machine.run();
        return ['ok'];
      case 'M25':
        machine.pause();
        return ['ok'];
      case 'M27':
        return [...this.#progress('C' in command.parameters), 'ok'];
      case 'M28':
        this.#writing = { name: command.rest, lines: [] };
        return [`Writing to file: ${command.rest}`, 'ok'];
      case 'M29':
        if (this.#writing) machine.files.set(this.#writing.name, this.#writing.lines.join('\n') + '\n');
        this.#writing = undefined;
        return ['Done saving file.', 'ok'];
      case 'M30':
        machine.files.delete(command.rest);
        return [`File deleted: ${command.rest}`, 'ok'];
      case 'K1':
        return [this.#strike(command.rest), 'ok'];
      case 'M999':
        machine.restart();
        return ['ok'];
      case 'M524':
        machine.abort();
        return ['ok'];
      case 'M110':
        return ['ok'];
      default:
        if (!/^[GMT]\d+$/.test(command.code))
          return [`echo:Unknown command: "${command.code || command.rest}"`, 'ok'];
        if (command.parameters.E !== undefined && /^G[01]$/.test(command.code) && !machine.isSoft)
          return ['echo: cold extrusion prevented', 'ok'];
        machine.execute(command);
        return ['ok'];
    }
  }

  #temperatures(): string {
    const { nozzle, bed } = this.#machine;
    return `T:${nozzle.c.toFixed(1)} /${nozzle.targetC.toFixed(1)} B:${bed.c.toFixed(1)} /${bed.targetC.toFixed(1)}`;
  }

  #position(): string[] {
    const { x, y, z } = this.#machine.position;
    return [`X:${x.toFixed(2)} Y:${y.toFixed(2)} Z:${z.toFixed(2)}`];
  }

  /** A file that is done is reported as printed to its last byte until another is selected. */
  #progress(withName: boolean): string[] {
    const { job } = this.#machine;
    const bytes = job ? `SD printing byte ${job.at}/${job.content.length}` : 'Not SD printing';
    const state = this.#machine.paused ? `${bytes}, paused for ${this.#machine.paused}` : bytes;
    return withName ? [`Current file: ${job?.name ?? '(no file)'}`, state] : [state];
  }

  /** "K1 runout" has a fault strike, for trying out what happens. */
  #strike(name: string): string {
    const kind = faultKinds.find((each) => each === name);
    if (!kind) return `echo:There is no fault "${name}"; there are ${faultKinds.join(', ')}`;
    this.#fault(kind);
    return `echo:fault ${kind}`;
  }
}
