import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cutsOfFont, signCuts } from './cuts.ts';
import { fontNames, type FontName } from './fontNames.ts';
import { cutsFor, lentWords, thinnestStroke } from './lent.ts';
import { spelled } from './spelled.ts';

const fonts = Object.keys(fontNames) as FontName[];
const textOf = (words: string, font: FontName = 'sturdy') =>
  spelled(words, font).lines.map((line) => line.map(({ text }) => text).join('|'));

/** What European and neighbouring alphabets write, besides plain Latin letters. */
const alphabets = {
  Czech: 'ÁČĎÉĚÍŇÓŘŠŤÚŮÝŽáčďéěíňóřšťúůýž',
  French: 'ÀÂÆÇÉÈÊËÎÏÔŒÙÛÜŸàâæçéèêëîïôœùûüÿ«»',
  German: 'ÄÖÜẞäöüß„“',
  Hungarian: 'ÁÉÍÓÖŐÚÜŰáéíóöőúüű',
  Icelandic: 'ÁÐÉÍÓÚÝÞÆÖáðéíóúýþæö',
  Latvian: 'ĀČĒĢĪĶĻŅŠŪŽāčēģīķļņšūž',
  Maltese: 'ĊĠĦŻċġħż',
  Nordic: 'ÅÄÖÆØåäöæø',
  Polish: 'ĄĆĘŁŃÓŚŹŻąćęłńóśźż',
  Portuguese: 'ÃÁÀÂÇÉÊÍÕÓÔÚãáàâçéêíõóôú',
  Romanian: 'ĂÂÎȘȚăâîșț',
  Spanish: 'ÑÁÉÍÓÚÜñáéíóúü¿¡',
  Turkish: 'ÇĞIİÖŞÜçğıiöşü',
  Welsh: 'ŴŶŵŷ',
  Vietnamese: 'ĂÂĐÊÔƠƯăâđêôơưẠảấầẩẫậắằẳẵặẹẻẽếềểễệỉịọỏốồổỗộớờởỡợụủứừửữựỳỵỷỹ',
  Greek: 'ΑΒΓΔΕΖΗΘΙΚΛΜΝΞΟΠΡΣΤΥΦΧΨΩΆΈΉΊΌΎΏαβγδεζηθικλμνξοπρσςτυφχψωάέήίόύώϊϋΐΰ',
  Cyrillic: 'АБВГДЕЁЖЗИЙКЛМНОПРСТУФХЦЧШЩЪЫЬЭЮЯабвгдеёжзийклмнопрстуфхцчшщъыьэюяҐґЄєІіЇїЂђЉљЊњЋћЏџЎў',
  Hebrew: 'אבגדהוזחטיכלמנסעפצקרשתךםןףץ',
  Arabic: 'ابتثجحخدذرزسشصضطظعغفقكلمنهويءآأؤإئىةپچژگکی',
  signs: '♥★✓←→№€♪☺',
};

describe('which file letters are set from', () => {
  it.each(Object.entries(alphabets))('%s is written in every font', (_, letters) => {
    for (const font of fonts) expect(spelled(letters, font).missing, font).toEqual([]);
  });

  it('is of the font itself, or of a companion, for Latin, Greek and Cyrillic in most', () => {
    const own = (words: string) =>
      fonts.filter((font) => cutsFor(words, font).every((cut) => cutsOfFont[font].includes(cut)));
    const { signs, Hebrew, Arabic, Greek, Cyrillic, ...latin } = alphabets;
    // But for the capital of “ß”, which the narrow one lacks.
    for (const letters of Object.values(latin)) expect(own(letters.replace('ẞ', ''))).toEqual(fonts);
    expect(own(Greek)).toEqual(['sturdy', 'rounded', 'slab', 'narrow', 'typewriter', 'hand']);
    expect(own(Cyrillic)).toEqual(['sturdy', 'rounded', 'slab', 'narrow', 'script', 'typewriter', 'hand']);
    expect(own(Hebrew)).toEqual(['sturdy', 'rounded']);
    expect(own(Arabic)).toEqual(['sturdy', 'rounded']);
    expect(own(signs)).toEqual([]);
  });

  it('is one for a whole word where one has all its letters', () => {
    // Zilla Slab has no “ễ”; a companion has all of the name, and the other name stays as it is.
    expect(spelled('Nguyễn Kim', 'slab').lines[0].map(({ text, cut }) => [text, cut])).toEqual([
      ['Nguyễn ', 'slab-greek'],
      ['Kim', 'slab'],
    ]);
  });

  it('is said where it is not of the font', () => {
    expect(lentWords('Basil, Zoë and Łucja', 'script')).toBeUndefined();
    expect(lentWords('Ωμέγα', 'script')).toBe('Greek letters from Sturdy');
    expect(lentWords('Оля и דוד', 'stencil')).toBe(
      'Cyrillic letters from Sturdy, Hebrew letters from Sturdy',
    );
    expect(lentWords('I ♥ ★', 'sturdy')).toBe('♥ ★ as plain signs');
    expect(lentWords('I ♥ it', 'hand')).toBe('♥ as a plain sign');
    expect(lentWords('Ωμέγα', 'rounded')).toBeUndefined();
  });

  it('is none for what no file has, each named once', () => {
    expect(spelled('李 a 李明', 'sturdy').missing).toEqual(['李', '明']);
    expect(spelled('all\nthere', 'sturdy').missing).toEqual([]);
    // A picture is a sign with a wish for colour, which is not heard; a family is named by its pictures.
    expect(spelled('❤️', 'sturdy').missing).toEqual([]);
    expect(spelled('👩‍👧', 'sturdy').missing).toEqual(['👩', '👧']);
  });

  it('gives strokes that are as thin as the thinnest of what is written', () => {
    expect(thinnestStroke('slab', 'Kim')).toBe(0.074);
    expect(thinnestStroke('slab', 'ΩΜΕΓΑ')).toBeGreaterThan(0.1);
    expect(thinnestStroke('hand', 'Kim')).toBe(0.101);
    expect(thinnestStroke('hand', 'François')).toBe(0.077);
    expect(thinnestStroke('hand', '')).toBe(0.101);
  });
});

describe('the order of letters on a line', () => {
  it('is that of reading, where all is read from left to right', () => {
    expect(textOf('Kim 12\nΩ-Team')).toEqual(['Kim 12', 'Ω|-|Team']);
  });

  it('turns over what is read from right to left, and figures in it back', () => {
    expect(textOf('שלום')).toEqual(['שלום']);
    expect(textOf('שלום 12')).toEqual(['12|שלום ']);
    expect(textOf('Kim שלום Ann')).toEqual(['Kim |שלום| |Ann']);
    expect(textOf('שלום Kim דוד')).toEqual(['דוד| |Kim|שלום ']);
  });

  it('loses no letter and doubles none', () => {
    const letter = fc.constantFrom(...'Ab1 ễΩжאש سم♥,(-)\n李');
    fc.assert(
      fc.property(
        fc.array(letter, { maxLength: 30 }).map((letters) => letters.join('')),
        fc.constantFrom(...fonts),
        (words, font) => {
          const { lines, missing } = spelled(words, font);
          const set = lines
            .flat()
            .map(({ text }) => text)
            .join('');
          const sorted = (text: string) => [...text].sort().join('');
          const expected = [...words.replaceAll('\n', '')].filter((sign) => !missing.includes(sign));
          expect(sorted(set)).toBe(sorted(expected.join('')));
          expect(lines).toHaveLength(words.split('\n').length);
          for (const { cut } of lines.flat())
            expect([...cutsOfFont[font], ...cutsOfFont.sturdy, ...signCuts]).toContain(cut);
        },
      ),
    );
  });
});
