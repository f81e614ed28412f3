import type { CheckId, DrawnShape } from '../inspect/index.ts';

/** A circle as a path. */
const circle = (x: number, y: number, r: number) =>
  `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`;
/** A line with a short stroke across each of its ends, lying or upright. */
const lying = (from: number, to: number, y: number) => `M${from} ${y - 3}V${y + 3}M${from} ${y}H${to}M${to} ${y - 3}V${y + 3}`; // oxfmt-ignore
const upright = (x: number, from: number, to: number) => `M${x - 3} ${from}H${x + 3}M${x} ${from}V${to}M${x - 3} ${to}H${x + 3}`; // oxfmt-ignore
/** Layers of plastic one over the other, each from one place to another, the lowest first. */
const layers = (...spans: readonly (readonly [from: number, to: number])[]) =>
  spans.map(([from, to], i) => `M${from} ${52 - 5 * i}H${to}V${47 - 5 * i}H${from}Z`).join('');

/** What each check measures, drawn: material in pale green, trouble hatched, what is measured in dark green. */
export const measuredDrawings: Readonly<Record<CheckId, readonly DrawnShape[]>> = {
  mesh: [
    ['solid', 'M14 50L44 12L74 50ZM44 12L98 18L74 50Z'],
    ['line', 'M44 12L74 50'],
    ['measured', 'M98 18L74 50'],
  ],
  size: [
    ['solid', 'M30 52V40C30 26 70 34 84 16L96 24V52Z'],
    ['layer', 'M30 52V16H96V52'],
    ['measured', lying(30, 96, 9)],
  ],
  base: [
    ['solid', 'M30 47L44 14H84L92 47Z'],
    ['measured', 'M31 51V47H91V51Z'],
    ['measured', lying(30, 92, 57)],
  ],
  hole: [
    ['solid', 'M12 52V8H108V52Z'],
    ['air', 'M46 40L58 16L70 40Z'],
    ['air', circle(92, 30, 11)],
    ['measured', circle(58, 32.6, 7.4)],
    ['measured', lying(103, 108, 30)],
    ['measured', 'M81 30H103'],
  ],
  supports: [
    ['solid', 'M20 52V10H100V20H34V52Z'],
    ['measured', 'M48 52V24M62 52V24M76 52V24M90 52V24'],
  ],
  overhang: [
    ['solid', layers([22, 60], [22, 60], [22, 66], [22, 72], [22, 78], [22, 84], [22, 90])],
    ['trouble', 'M60 42H66V37H72V32H78V27H84V22H90V27H84V32H78V37H72V42H66V47H60Z'],
    ['measured', 'M60 47L93 19.5'],
    ['layer', 'M60 47V14'],
    ['measured', 'M60 27A20 20 0 0 1 75.4 34.2'],
  ],
  bridge: [
    ['solid', 'M14 52V8H34V52ZM84 52V8H106V52Z'],
    ['layer', 'M34 12H84M34 18H84M34 24H84M34 36H84M34 42H84M34 48H84'],
    ['measured', lying(34, 84, 30)],
  ],
  island: [
    ['solid', layers([14, 50], [14, 50], [14, 50], [14, 50], [14, 50])],
    ['trouble', 'M64 32H88V27H64Z'],
    ['solid', 'M14 27H106V22H14Z'],
    ['measured', upright(76, 32, 52)],
  ],
  wall: [
    ['solid', 'M14 50V10H106V16L46 24L40 50Z'],
    ['layer', `${circle(27, 34, 11)}${circle(60, 16, 6)}`],
    ['measured', circle(98, 13.6, 3.6)],
    ['measured', circle(27, 22, 11)],
  ],
  gap: [
    ['solid', 'M12 52V10H54V52ZM62 52V10H108V52Z'],
    ['measured', circle(58, 31, 4)],
    ['layer', 'M54 31H34M62 31H82'],
  ],
  bodies: [
    ['solid', 'M12 52V12H46V28H70V12H106V52H70V36H46V52Z'],
    ['measured', circle(58, 32, 4)],
    ['layer', 'M58 6V52'],
  ],
  stability: [
    ['solid', 'M30 52V46H90V52ZM56 46V8H64V46Z'],
    ['measured', upright(74, 8, 46)],
    ['measured', lying(56, 64, 4)],
    ['layer', 'M60 40V57M30 57H90'],
  ],
  relief: [
    ['solid', 'M12 52V38H108V52Z'],
    ['solid', 'M34 38V26H54V38Z'],
    ['air', 'M68 38V46H88V38Z'],
    ['measured', upright(44, 26, 38)],
    ['measured', upright(78, 38, 46)],
  ],
  comfort: [
    ['solid', 'M14 44L92 44L108 14L34 14Z'],
    ['solid', 'M14 44V52H92V44Z'],
    ['measured', 'M30 44A16 16 0 0 0 23 28M14 44L23 28M14 44H30'],
  ],
  colours: [
    ['solid', 'M16 52V36H104V52Z'],
    ['solid', 'M24 36V20H48V36Z'],
    ['air', 'M70 36V20H94V36Z'],
    ['measured', 'M8 28H112'],
  ],
  time: [
    ['layer', layers([24, 96], [24, 96], [24, 96], [24, 96], [24, 96], [24, 96])],
    ['measured', 'M28 49.5H92V44.5H28V39.5H92V34.5H28V29.5H92V24.5H28'],
  ],
  material: [
    ['layer', layers([24, 96], [24, 96], [24, 96], [24, 96], [24, 96], [24, 96])],
    ['solid', layers([24, 96], [24, 34], [24, 34], [24, 34], [24, 34], [24, 96])],
    ['solid', 'M86 47H96V27H86ZM52 47H60V27H52Z'],
  ],
  brief: [
    ['solid', 'M56 52V22H110V52Z'],
    ['air', circle(72, 38, 8)],
    ['measured', lying(56, 110, 15)],
    ['measured', 'M64 38H80'],
    ['line', 'M10 20H40M10 32H40M10 44H32'],
  ],
};
