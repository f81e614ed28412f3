import type { Amount } from './amount.ts';
import { edgeWords, type Along, type Axis } from './placement.ts';
import type { Option } from './sentence.ts';
import { say } from '../words/index.ts';

/**
 * What placements of things with a body of their own can say, of things that only have a middle, and of pieces of an
 * outline, which know nothing of the plate.
 */
export type Extent = 'body' | 'middle' | 'piece';

/** The places along an axis that can be chosen for what lies so many millimetres from something now. */
export function optionsFor(axis: Axis, mm: Amount, onPlate: boolean, extent: Extent): Option[] {
  if (axis === 'z') return onPlate ? heights(mm, extent) : [...heights(mm, extent), ...levels(mm, extent)];
  const words = edgeWords[axis];
  const off = mm === 0 ? 5 : mm;
  // Which way a formula leads is for the formula to say.
  const ways =
    typeof off === 'number'
      ? [
          { beyond: words.beyond, mm: Math.abs(off) },
          { beyond: words.short, mm: -Math.abs(off) },
        ]
      : [{ beyond: words.beyond, mm: off }];
  if (onPlate) {
    return [
      { label: say('centred {both}', { both: words.both }), value: { relation: 'centred' } },
      ...ways.map((way) => ({
        label: say('{beyond} the middle', { beyond: way.beyond }),
        value: { relation: 'at', own: 'middle', mm: way.mm },
      })),
    ];
  }
  const beside: Option[] = [
    {
      label: say('beside the {low}', { low: words.low }),
      value: { relation: 'beside', edge: 'low', overlapMm: 0 },
    },
    {
      label: say('beside the {high}', { high: words.high }),
      value: { relation: 'beside', edge: 'high', overlapMm: 0 },
    },
    {
      label: say('overlapping the {low} by', { low: words.low }),
      value: { relation: 'beside', edge: 'low', overlapMm: 1 },
    },
    {
      label: say('overlapping the {high} by', { high: words.high }),
      value: { relation: 'beside', edge: 'high', overlapMm: 1 },
    },
  ];
  return [
    {
      label: say('in from the {low}', { low: words.low }),
      value: { relation: 'inFrom', edge: 'low', mm: off },
    },
    {
      label: say('in from the {high}', { high: words.high }),
      value: { relation: 'inFrom', edge: 'high', mm: off },
    },
    { label: say('centred {both}', { both: words.both }), value: { relation: 'centred' } },
    ...ways.map((way) => ({
      label: say('{beyond} the middle', { beyond: way.beyond }),
      value: { relation: 'centred', mm: way.mm },
    })),
    {
      label: say('of the way {low} to {high}', { low: words.low, high: words.high }),
      value: { relation: 'share', percent: 25 },
    },
    ...(extent === 'middle' ? [] : beside),
    ...(extent === 'piece'
      ? []
      : ways.map((way) => ({
          label: say('{beyond} the middle of the plate', { beyond: way.beyond }),
          value: { relation: 'at', own: 'middle', mm: way.mm },
        }))),
  ];
}

/** Heights above the plate. */
function heights(mm: Amount, extent: Extent): Option[] {
  const up = mm === 0 ? 5 : mm;
  if (extent === 'middle')
    return [{ label: say('above the plate'), value: { relation: 'at', own: 'middle', mm: up } }];
  return [
    { label: say('from the plate'), value: { relation: 'at', own: 'low', mm: 0 } },
    { label: say('above the plate at its bottom'), value: { relation: 'at', own: 'low', mm: up } },
    { label: say('above the plate at its top'), value: { relation: 'at', own: 'high', mm: up } },
    { label: say('above the plate at its middle'), value: { relation: 'at', own: 'middle', mm: up } },
  ];
}

/** Levels against the thing something is placed on. */
function levels(mm: Amount, extent: Extent): Option[] {
  const off = mm === 0 ? 1 : mm;
  const within: Option[] = [
    { label: say('half way up'), value: { relation: 'centred' } },
    { label: say('below its top'), value: { relation: 'inFrom', edge: 'high', mm: off } },
    { label: say('above its bottom'), value: { relation: 'inFrom', edge: 'low', mm: off } },
  ];
  if (extent === 'middle') return within;
  return [
    { label: say('on its top'), value: { relation: 'beside', edge: 'high', overlapMm: 0 } },
    { label: say('into its top by'), value: { relation: 'beside', edge: 'high', overlapMm: off } },
    { label: say('under its bottom'), value: { relation: 'beside', edge: 'low', overlapMm: 0 } },
    { label: say('starting at its top'), value: { relation: 'inFrom', edge: 'high', mm: 0 } },
    { label: say('starting at its bottom'), value: { relation: 'inFrom', edge: 'low', mm: 0 } },
    ...within,
  ];
}

/** Whether an option stands for a rule, whatever its distance; distances of nothing come first and have words of their own. */
export function isSame(option: Along, rule: Along): boolean {
  if (option.relation !== rule.relation) return false;
  const fits = (offered: Amount, has: Amount) => offered !== 0 || has === 0;
  switch (option.relation) {
    case 'centred':
      return (
        (option.mm === undefined) === ((rule as typeof option).mm === undefined) &&
        isNegative(option.mm) === isNegative((rule as typeof option).mm)
      );
    case 'inFrom': {
      const { edge, mm } = rule as typeof option;
      return option.edge === edge && fits(option.mm, mm);
    }
    case 'beside': {
      const { edge, overlapMm } = rule as typeof option;
      return option.edge === edge && fits(option.overlapMm, overlapMm);
    }
    case 'share':
      return true;
    case 'at': {
      const { own, mm } = rule as typeof option;
      return option.own === own && fits(option.mm, mm) && isNegative(option.mm) === isNegative(mm);
    }
  }
}

/** Whether an amount is a number below 0; what a formula comes to changes without anybody touching its sentence. */
export function isNegative(mm: Amount | undefined): boolean {
  return typeof mm === 'number' && mm < 0;
}
