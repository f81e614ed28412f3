import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decodedList } from './listReading';
import { MOST_STUDENTS, readStudentList } from './studentList';

const nobody: ReadonlySet<string> = new Set();
const said = (words: string, taken = nobody) =>
  readStudentList(words, taken).problems.map(({ line, message }) => `${line}: ${message}`);

describe('a list of students', () => {
  it('takes names alone and makes sign-in names that differ', () => {
    const { students, problems } = readStudentList(
      'Ada Okafor\nAda Lind\n\n  Ben   van Dam \nAda Lindqvist\nAda\n',
      new Set(['ben']),
    );
    expect(problems).toEqual([]);
    expect(students.map(({ line, name, signInName }) => [line, name, signInName])).toEqual([
      [1, 'Ada Okafor', 'ada'],
      [2, 'Ada Lind', 'adal'],
      [4, 'Ben van Dam', 'bend'],
      [5, 'Ada Lindqvist', 'adalin'],
      [6, 'Ada', 'ada2'],
    ]);
  });

  it.each([
    ['commas', 'Ada Okafor,adao,123456\nBen Lind,,'],
    ['semicolons', 'Ada Okafor; AdaO ;123456\nBen Lind'],
    ['tabs, as a spreadsheet copies them', 'Ada Okafor\tadao\t123456\r\nBen Lind\t\t'],
    ['a heading in another order', 'PIN;Name;Sign-in name\n123456;Ada Okafor;adao\n;Ben Lind;'],
  ])('reads columns with %s', (_, words) => {
    const { students, problems } = readStudentList(words, nobody);
    expect(problems).toEqual([]);
    expect(students.map(({ name, signInName, pin }) => [name, signInName, pin])).toEqual([
      ['Ada Okafor', 'adao', '123456'],
      ['Ben Lind', 'ben', undefined],
    ]);
  });

  it('reads a column that few lines have', () => {
    for (const between of ['\t', ';', ',']) {
      const words = ['Ada', 'Ben', 'Cai', `Di${between}dee`, 'Ed', 'Flo'].join('\n');
      expect(readStudentList(words, nobody).students[3]).toEqual({ line: 4, name: 'Di', signInName: 'dee' });
    }
  });

  it('looks at the whole to find what is between columns', () => {
    const { students } = readStudentList('Ada Okafor\nBen; Lind, ben\nCai Ember, cai, 481516', nobody);
    expect(students.map(({ name, signInName, pin }) => [name, signInName, pin])).toEqual([
      ['Ada Okafor', 'ada', undefined],
      ['Ben; Lind', 'ben', undefined],
      ['Cai Ember', 'cai', '481516'],
    ]);
  });

  it.each([
    ['a family name and a first name', 'Müller, Anna\nvan Dam, Ben\nØrsted, Zoë-Marie'],
    ['the same in quotes', '"Anna Müller"\n"Ben van Dam"\n"Zoë-Marie Ørsted"'],
    ['by a heading', 'Klasse;Vorname;Nachname\n8b;Anna;Müller\n8b;Ben;van Dam\n8b;Zoë-Marie;Ørsted'],
  ])('makes one name of %s', (_, words) => {
    const { students, problems } = readStudentList(words, nobody);
    expect(problems).toEqual([]);
    expect(students.map(({ name }) => name)).toEqual(['Anna Müller', 'Ben van Dam', 'Zoë-Marie Ørsted']);
  });

  it('is read as somebody says', () => {
    const reading = { delimiter: ',', hasHeading: false, columns: ['none', 'signInName', 'name'] } as const;
    const { students } = readStudentList('8b, anna, Anna Müller', nobody, {
      ...reading,
      columns: [...reading.columns],
    });
    expect(students).toEqual([{ line: 1, name: 'Anna Müller', signInName: 'anna' }]);
  });

  it.each([
    ['utf-8', 'Zoë Łuk', new TextEncoder().encode('Zoë Łuk')],
    ['utf-8', 'Zoë', new TextEncoder().encode('\uFEFFZoë')],
    ['windows-1252', 'Zoë', Uint8Array.from([0x5a, 0x6f, 0xeb])],
    ['utf-16le', 'Zoë', Uint8Array.from([0xff, 0xfe, 0x5a, 0, 0x6f, 0, 0xeb, 0])],
  ])('comes in %s', (encoding, words, bytes) => {
    expect(decodedList(bytes)).toEqual({ encoding, words });
  });

  it('says line by line what is wrong', () => {
    const words = ['Ada,ada,1234', ',ben,', 'Cy,ada', 'Di,d i', 'Ed,ed,123456,x', 'Flo,flo'].join('\n');
    expect(said(words, new Set(['flo']))).toEqual([
      '1: “1234” is no PIN: that has six digits',
      '2: the name is missing',
      '3: the sign-in name “ada” is that of line 1 already',
      '4: “d i” cannot be a sign-in name: take up to 20 letters and digits',
      '5: there is more here than a name, a sign-in name and a PIN',
      '6: the sign-in name “flo” is taken by someone in the class',
    ]);
    expect(said(Array.from({ length: MOST_STUDENTS + 1 }, (_, i) => `S ${i}`).join('\n'))).toEqual([
      `${MOST_STUDENTS + 1}: a class takes at most ${MOST_STUDENTS} students`,
    ]);
  });

  it('is read beside a class that is more than full', () => {
    const full = new Set(Array.from({ length: MOST_STUDENTS + 1 }, (_, i) => `s${i}`));
    expect(said('', full)).toEqual([]);
    expect(said('Ada', full)).toEqual([`1: a class takes at most ${MOST_STUDENTS} students`]);
  });

  it('never gives a sign-in name twice, whatever the names are', () => {
    const name = fc.oneof(
      fc.constantFrom('Ada', 'Ada L', 'Zoë Ørsted', '李 雷'),
      fc.string({ minLength: 1 }),
    );
    fc.assert(
      fc.property(fc.array(name, { maxLength: 30 }), (names) => {
        const { students } = readStudentList(names.join('\n'), new Set(['ada']));
        const all = students.map(({ signInName }) => signInName);
        expect(new Set(all).size).toBe(all.length);
        expect(all).not.toContain('ada');
      }),
    );
  });
});
