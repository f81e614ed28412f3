import { connect, type Socket } from 'node:net';
import { afterEach, describe, expect, it } from 'vitest';
import { Conversation } from './conversation.ts';
import { faultsOf } from './faults.ts';
import { checksum, parseCommand, parseLine } from './line.ts';
import { Machine } from './machine.ts';
import { startPrinter, type RunningPrinter } from './server.ts';

const numbered = (n: number, command: string) => `N${n} ${command}*${checksum(`N${n} ${command}`)}`;

describe('lines', () => {
  it('are taken apart into number, command and checksum', () => {
    expect(parseLine('N3 T0*57')).toEqual({ number: 3, command: 'T0', intact: true });
    expect(parseLine('N3 T0*58')).toMatchObject({ intact: false });
    expect(parseLine('N3 T0')).toMatchObject({ intact: false });
    expect(parseLine('M105 ; how warm?')).toEqual({ command: 'M105', intact: true });
  });

  it('hold commands with parameters', () => {
    expect(parseCommand('G1 X10.5 Y-2 E.03 F1200')).toMatchObject({
      code: 'G1',
      parameters: { X: 10.5, Y: -2, E: 0.03, F: 1200 },
    });
    expect(parseCommand('M23 label.gcode')).toMatchObject({ code: 'M23', rest: 'label.gcode' });
  });
});

describe('a file', () => {
  it('is complained of where it asks for what the printer does not know, cannot reach, or is too cold for', () => {
    const machine = new Machine();
    const said: string[] = [];
    machine.announce = (message) => void said.push(message);
    machine.files.set('a', 'G28\nM7\nG1 X230 F6000\nG1 X20 E1\nM109 S200\nG1 X0 E1\n');
    machine.select('a');
    machine.run();
    machine.advance(200);
    expect(said).toEqual([
      'echo:Unknown command: "M7"',
      'echo: x is out of reach: 230',
      'echo: cold extrusion prevented',
      'Done printing file',
    ]);
  });
});

describe('a conversation', () => {
  it('asks again for a damaged line, and for one out of turn', () => {
    const talk = new Conversation(new Machine(), 'Test');
    expect(talk.answer(numbered(1, 'M105')).at(-1)).toMatch(/^ok T:21.0/);
    expect(talk.answer('N2 M105*1')).toEqual(['Error:checksum mismatch, Last Line: 1', 'Resend: 2', 'ok']);
    expect(talk.answer(numbered(5, 'M105'))).toContain('Resend: 2');
    expect(talk.answer(numbered(2, 'M105')).at(-1)).toMatch(/^ok/);
    expect(talk.answer('M110 N40')).toEqual(['ok']);
  });

  it('starts its count where it is told', () => {
    const talk = new Conversation(new Machine(), 'Test');
    expect(talk.answer(numbered(0, 'M110 N0'))).toEqual(['ok']);
    expect(talk.answer(numbered(1, 'G28'))).toEqual(['ok']);
  });

  it('stores an uploaded file and starts it from there', () => {
    const machine = new Machine();
    const talk = new Conversation(machine, 'Test');
    for (const line of ['M28 a.gcode', 'G28', 'G1 X60 F600', 'M29']) talk.answer(line);
    expect(machine.files.get('a.gcode')).toBe('G28\nG1 X60 F600\n');
    expect(talk.answer('M20')).toContain('a.gcode 16');
    expect(talk.answer('M23 other.gcode')[0]).toBe('open failed, File: other.gcode.');
    expect(talk.answer('M27')).toEqual(['Not SD printing', 'ok']);
    talk.answer('M23 a.gcode');
    talk.answer('M24');
    machine.advance(3);
    expect(talk.answer('M27 C')).toEqual(['Current file: a.gcode', 'SD printing byte 16/16', 'ok']);
    expect(machine.isDone).toBe(false);
    machine.advance(3.1);
    expect(machine.isDone).toBe(true);
  });

  it('answers what it does not know with ok, so that the host goes on', () => {
    expect(new Conversation(new Machine(), 'Test').answer('hello').at(-1)).toBe('ok');
  });
});

describe('the machine', () => {
  const printing = (content: string) => {
    const machine = new Machine();
    machine.files.set('f', content);
    machine.select('f');
    machine.run();
    return machine;
  };

  it('takes as long for a move as its length and speed say', () => {
    const machine = printing('G1 X100 F600\nG1 X100 Y50 F3000\n');
    machine.advance(10.5);
    expect(machine.isDone).toBe(false);
    machine.advance(0.6);
    expect(machine.isDone).toBe(true);
    expect(machine.position).toEqual({ x: 100, y: 50, z: 0 });
  });

  it('waits for heat before it goes on', () => {
    const machine = printing('M109 S210\nG1 X10 F600\n');
    machine.advance(60);
    expect(machine.nozzle.c).toBeGreaterThan(150);
    expect(machine.position.x).toBe(0);
    machine.advance(30);
    expect(machine.isDone).toBe(true);
  });

  it('ends its move when paused, stands still, and forgets the file when aborted', () => {
    const machine = printing('G1 X100 F600\nG1 X0\n');
    machine.advance(4);
    machine.pause();
    machine.advance(100);
    expect(machine.position.x).toBe(100);
    machine.run();
    machine.advance(9);
    expect(machine.isDone).toBe(false);
    machine.abort();
    machine.advance(100);
    expect(machine.job).toBeUndefined();
  });
});

describe('over TCP', () => {
  let printer: RunningPrinter;
  let socket: Socket;
  afterEach(async () => {
    socket.destroy();
    await printer.close();
  });

  it('greets, answers line by line, and tells when a file is done', async () => {
    printer = await startPrinter({ name: 'Test', port: 0, speed: 600 });
    socket = connect(printer.port, '127.0.0.1');
    let heard = '';
    socket.setEncoding('utf8').on('data', (chunk: string) => (heard += chunk));
    socket.write('M115\nM28 a\nG1 X10 F600\nM29\nM23 a\nM2');
    socket.write('4\n');
    await expect.poll(() => heard).toContain('Done printing file');
    expect(heard).toMatch(/^start\nFIRMWARE_NAME:Kelbrin simulated printer/);
  });
});

describe('faults', () => {
  const printing = (content = 'M109 S200\nG1 X100 F600\nG1 X0\n') => {
    const machine = new Machine();
    machine.files.set('a.gcode', content);
    machine.select('a.gcode');
    machine.run();
    return machine;
  };

  it('that can be put right let the file stand still, and it goes on from there', () => {
    for (const kind of ['runout', 'clog', 'door'] as const) {
      const machine = printing();
      machine.advance(80);
      machine.pause(kind);
      const talk = new Conversation(machine, 'Test');
      expect(talk.answer('M27')[0]).toMatch(new RegExp(`^SD printing byte \\d+/\\d+, paused for ${kind}$`));
      machine.advance(100);
      expect(machine.isDone).toBe(false);
      talk.answer('M24');
      machine.advance(100);
      expect(machine.isDone).toBe(true);
    }
  });

  it('a change of filament that the file asks for is one of these', () => {
    const machine = printing('G1 X10 F600\nM600\nG1 X20\n');
    machine.advance(5);
    expect(machine.paused).toBe('filament');
    expect(machine.position.x).toBe(10);
    machine.run();
    machine.advance(5);
    expect(machine.position.x).toBe(20);
    expect(machine.isDone).toBe(true);
  });

  it('a broken heater stops everything until the printer is switched on anew', () => {
    const machine = printing('M109 S200\nG1 X100 F60\n');
    machine.advance(80);
    machine.breakHeater();
    machine.advance(60);
    const talk = new Conversation(machine, 'Test');
    expect(talk.answer('M105')[0]).toBe('Error:Heating failed, system stopped');
    expect(talk.answer('M24')[0]).toContain('system stopped');
    expect(machine.job).toBeUndefined();
    expect(machine.nozzle.targetC).toBe(0);
    talk.answer('M999');
    expect(talk.answer('M105')[0]).toMatch(/^ok/);
  });

  it('strike by themselves, the same ones for the same seed', () => {
    const first = (seed: number) => {
      const faults = faultsOf(seed);
      return Array.from({ length: 20 }, () => faults.next().value!);
    };
    expect(first(7)).toEqual(first(7));
    expect(first(7)).not.toEqual(first(8));
    for (const { atShare } of first(7)) {
      expect(atShare).toBeGreaterThan(0);
      expect(atShare).toBeLessThan(1);
    }
    expect(new Set(first(7).map(({ kind }) => kind)).size).toBeGreaterThan(3);
  });

  it('are struck by name', () => {
    const struck: string[] = [];
    const talk = new Conversation(new Machine(), 'Test', undefined, (kind) => struck.push(kind));
    expect(talk.answer('K1 door')).toEqual(['echo:fault door', 'ok']);
    expect(talk.answer('K1 ghost')[0]).toContain('no fault "ghost"');
    expect(struck).toEqual(['door']);
  });
});
