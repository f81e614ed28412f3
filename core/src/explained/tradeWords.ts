import type { DrawnShape } from '../inspect/index.ts';
import { say } from '../words/index.ts';

/** A word of the trade, explained for a ten-year-old. */
export interface TradeWord {
  /** The word as it is explained. */
  readonly word: string;
  /** How it begins in an English sentence, in any of its forms; several words in a row have “_” between them. */
  readonly begins: readonly string[];
  readonly explained: string;
  /** What it means, in a box of 120 × 60 that stands on the plate. */
  readonly drawing: readonly DrawnShape[];
}

/** The words of the trade that sentences of a recipe use, in the order in which they are explained. */
export function tradeWords(): readonly TradeWord[] {
  return [
    {
      word: say('extrude'),
      begins: ['extrud'],
      explained: say('To pull an outline straight up, so that it becomes a body.'),
      drawing: [
        ['solid', 'M36 52V22H84V52Z'],
        ['measured', 'M60 46V10M55 15L60 9L65 15'],
      ],
    },
    {
      word: say('outline'),
      begins: ['outline'],
      explained: say('The line around a shape, as you would draw it with a pencil.'),
      drawing: [['line', 'M30 48C22 20 50 6 62 22C76 4 102 20 90 48Z']],
    },
    {
      word: say('profile'),
      begins: ['profile'],
      explained: say('Half of what you see from the side. It is turned about its axis, like on a lathe.'),
      drawing: [
        ['solid', 'M60 52V8H76C90 18 66 30 88 52Z'],
        ['layer', 'M60 4V56'],
        ['layer', 'M60 8H44C30 18 54 30 32 52'],
      ],
    },
    {
      word: say('axis'),
      begins: ['axis'],
      explained: say('The straight line about which something turns.'),
      drawing: [
        ['solid', 'M40 52V20H80V52Z'],
        ['measured', 'M60 4V56M50 12C54 8 66 8 70 12M70 12L65 11M70 12L69 7'],
      ],
    },
    {
      word: say('sweep'),
      begins: ['sweep', 'swept'],
      explained: say('To lead an outline along a way, so that its trace becomes a body.'),
      drawing: [
        ['solid', 'M24 52C24 20 50 8 92 8V20C60 20 38 28 38 52Z'],
        ['measured', 'M31 46C31 24 54 14 84 14M78 9L86 14L78 19'],
      ],
    },
    {
      word: say('eyelet'),
      begins: ['eyelet'],
      explained: say('A small ring at the edge, for a string or a key ring.'),
      drawing: [
        ['solid', 'M52 52V28H104V52Z'],
        ['solid', 'M58 40A18 18 0 1 1 58 39.9Z'],
        ['air', 'M49 40A9 9 0 1 1 49 39.9Z'],
      ],
    },
    {
      word: say('chamfer'),
      begins: ['chamfer'],
      explained: say('An edge that is cut off at a slant, so that it is no longer sharp.'),
      drawing: [
        ['solid', 'M24 52V16H80L96 32V52Z'],
        ['measured', 'M80 16L96 32'],
        ['layer', 'M80 16H96V32'],
      ],
    },
    {
      word: say('round'),
      begins: ['round_the', 'round_all', 'rounded', 'fillet'],
      explained: say('An edge or a corner that is made round, so that it is kind to a hand.'),
      drawing: [
        ['solid', 'M24 52V16H76A20 20 0 0 1 96 36V52Z'],
        ['measured', 'M76 16A20 20 0 0 1 96 36'],
        ['layer', 'M76 16H96V36'],
      ],
    },
    {
      word: say('countersink'),
      begins: ['countersink', 'countersunk'],
      explained: say('A hole that opens like a funnel, so that a slanted screw head lies flush.'),
      drawing: [
        ['solid', 'M16 52V16H104V52Z'],
        ['air', 'M40 16H80L66 30V52H54V30Z'],
      ],
    },
    {
      word: say('counterbore'),
      begins: ['counterbor'],
      explained: say('A hole with a wider one above it, so that a flat screw head sinks in.'),
      drawing: [
        ['solid', 'M16 52V16H104V52Z'],
        ['air', 'M42 16H78V32H66V52H54V32H42Z'],
      ],
    },
    {
      word: say('taper'),
      begins: ['taper'],
      explained: say('Getting narrower towards one end, like a plant pot upside down.'),
      drawing: [
        ['solid', 'M30 52L46 10H74L90 52Z'],
        ['layer', 'M30 52V10H46M74 10H90V52'],
      ],
    },
    {
      word: say('lean'),
      begins: ['lean'],
      explained: say('Standing at a slant. Printed without support, a part can lean out by about 45°.'),
      drawing: [
        ['solid', 'M30 52H58L88 10H60Z'],
        ['measured', 'M58 52V24'],
      ],
    },
    {
      word: say('mirror'),
      begins: ['mirror'],
      explained: say('To flip over to the other side, as in a looking-glass.'),
      drawing: [
        ['solid', 'M52 52V14L18 52Z'],
        ['layer', 'M60 4V56'],
        ['layer', 'M68 52V14L102 52Z'],
      ],
    },
    {
      word: say('raised'),
      begins: ['raised'],
      explained: say('Standing out from the surface, so that a finger can feel it.'),
      drawing: [
        ['solid', 'M16 52V34H44V20H76V34H104V52Z'],
        ['measured', 'M86 20V34'],
      ],
    },
    {
      word: say('sunk'),
      begins: ['sunk', 'sink'],
      explained: say('Cut into the surface, but not right through.'),
      drawing: [
        ['solid', 'M16 52V20H44V34H76V20H104V52Z'],
        ['measured', 'M86 20V34'],
      ],
    },
    {
      word: say('plate'),
      begins: ['plate'],
      explained: say('The flat bed of the printer, on which every part begins.'),
      drawing: [
        ['solid', 'M44 52V30H76V52Z'],
        ['measured', 'M8 52.8H112'],
      ],
    },
    {
      word: say('overlap'),
      begins: ['overlap'],
      explained: say('How far one thing reaches into another. Without it, both may only seem to touch.'),
      drawing: [
        ['solid', 'M14 52V24H66V52Z'],
        ['solid', 'M54 52V14H106V52Z'],
        ['measured', 'M54 20H66'],
      ],
    },
    {
      word: say('stroke'),
      begins: ['stroke'],
      explained: say('The line that a letter is made of. If it is too thin, it does not print.'),
      drawing: [
        ['solid', 'M36 52V10H48V26H72V10H84V52H72V36H48V52Z'],
        ['measured', 'M36 18H48'],
      ],
    },
    {
      word: say('slot'),
      begins: ['slot'],
      explained: say('A long opening or shape with round ends.'),
      drawing: [['solid', 'M40 20H80A12 12 0 0 1 80 44H40A12 12 0 0 1 40 20Z']],
    },
    {
      word: say('sector'),
      begins: ['sector'],
      explained: say('A piece of a circle, cut like a slice of cake.'),
      drawing: [['solid', 'M60 50L26 28A40 40 0 0 1 94 28Z']],
    },
    {
      word: say('ellipse'),
      begins: ['ellipse'],
      explained: say('A circle that was pulled longer one way.'),
      drawing: [['solid', 'M18 30A42 20 0 1 1 102 30A42 20 0 1 1 18 30Z']],
    },
    {
      word: say('polygon'),
      begins: ['polygon'],
      explained: say('A shape with straight sides that are all as long as each other.'),
      drawing: [['solid', 'M40 12H80L100 30L80 48H40L20 30Z']],
    },
    {
      word: say('snug'),
      begins: ['snug', 'loose', 'fit_an_object', 'press'],
      explained: say(
        'How tightly two things fit. A printed hole comes out smaller than drawn, so Kelbrin adds a little room.',
      ),
      drawing: [
        ['solid', 'M16 52V12H46V52ZM74 52V12H104V52Z'],
        ['air', 'M49 52V4H71V52Z'],
        ['measured', 'M46 24H49M71 24H74'],
      ],
    },
  ];
}
