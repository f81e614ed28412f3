import { connect, type Socket } from 'node:net';
import { afterEach, describe, expect, it } from 'vitest';
import { Conversation } from './conversation.ts';
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

  it('stands still while paused and forgets the file when aborted', () => {
    const machine = printing('G1 X100 F600\n');
    machine.advance(4);
    machine.pause();
    machine.advance(100);
    machine.run();
    machine.advance(5);
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
