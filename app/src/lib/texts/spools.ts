import { said, say } from '@kelbrin/core/words';

/** What is said of spools. */
export const spoolTexts = said({
  title: 'Spools',
  what: 'Every roll of filament with what is left on it: counted down by what is printed, corrected by weighing.',
  back: 'Print room',
  number: (number: number) => say('No. {number}', { number }),
  spool: 'Spool',
  filament: 'Filament',
  left: 'Left',
  where: 'Where',
  shelf: 'on the shelf',
  on: (printer: string, place?: number) =>
    place === undefined
      ? say('on {printer}', { printer })
      : say('on {printer}, place {place}', { printer, place: place + 1 }),
  grams: (grams: number) => say('{grams} g', { grams: Math.round(grams) }),
  low: (printer: string, grams: number, colour: string) =>
    say('{printer} has {grams} g of {colour} left', { printer, grams: Math.round(grams), colour }),
  noneOn: (printer: string) => say('Kelbrin does not know which spool is on {printer}', { printer }),
  none: 'no spool',
  weigh: 'Save the weight',
  weighed: (number: number) => say('Grams of filament on spool {number}, without the roll', { number }),
  load: (printer: string, place?: number) =>
    place === undefined
      ? say('Put on {printer}', { printer })
      : say('Put on {printer}, place {place}', { printer, place: place + 1 }),
  putOn: 'Put on …',
  putOnNamed: (number: number) => say('Choose where spool {number} goes', { number }),
  place: (place: number) => say('Place {place}', { place: place + 1 }),
  unload: 'Take off',
  gone: 'Mark as empty',
  goneNamed: (number: number) => say('Mark as empty: spool {number}', { number }),
  goneTitle: (number: number) => say('Is spool {number} empty?', { number }),
  goneWhat: (printer: string | null, grams: number) =>
    printer
      ? say(
          'By what was printed, {grams} g are left on it, and it is taken off {printer}. It can be brought back.',
          { grams, printer },
        )
      : say('By what was printed, {grams} g are left on it. It can be brought back.', { grams }),
  goneList: 'Emptied lately',
  goneSpool: (number: number) => say('Spool {number}, empty', { number }),
  bringBack: 'Bring back',
  add: 'Add a spool',
  material: 'Material',
  colour: 'Colour',
  colourName: 'Colour in words',
  gramsLeft: 'Grams on it',
  price: 'Price of 1 kg',
  perKg: (price: string) => say('{price} a kg', { price }),
  dry: (how: string) => say('Dry it: {how}', { how }),
  sticker: (number: number) => say('Write No. {number} on the roll, so that it is found.', { number }),
  isPrinting: (printer: string) => say('{printer} is printing: wait until it is done.', { printer }),
} as const);
