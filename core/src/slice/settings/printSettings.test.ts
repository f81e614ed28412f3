import { expect, it } from 'vitest';
import { everydaySettings } from '../index.ts';
import { printSettings } from './printSettings.ts';

// Each of these numbers changes every print of every school, so none is changed without meaning to.
it('prints PLA as ordinary classroom printers do, unless something else is said', () => {
  expect(everydaySettings).toEqual({
    layerMm: 0.2,
    firstLayerMm: 0.2,
    adaptLayersMm: null,
    seam: 'hidden',
    seamAtMm: null,
    holeGrowthMm: 0,
    firstLayerInsetMm: 0,
    infillWay: 'lines',
    lineWidthMm: 0.45,
    wallLines: 2,
    closedLayers: 3,
    infillShare: 0.2,
    infillDirections: 1,
    plateMm: [220, 200],
    heightMm: 200,
    skirtLines: 1,
    skirtGapMm: 3,
    brimMm: 0,
    supports: null,
    hopMm: 0,
    isOneByOne: false,
    smoothsTops: false,
    colourChangesMm: [],
    colourPlaces: [],
    purgeMm: 0,
    filamentDiameterMm: 1.75,
    filamentGramsPerCm3: 1.24,
    nozzleC: 210,
    bedC: 60,
    chamberC: 0,
    fanShare: 1,
    stillLayers: 2,
    spanFanShare: 1,
    flow: 1,
    firstLayerMmPerS: 20,
    wallMmPerS: 40,
    infillMmPerS: 60,
    spanMmPerS: 25,
    travelMmPerS: 120,
    firstLayerMmPerS2: 500,
    wallMmPerS2: 800,
    infillMmPerS2: 1200,
    travelMmPerS2: 1500,
    cornerDeviationMm: 0.02,
    retractMm: 0.8,
    retractMmPerS: 35,
    retractMmPerS2: 1500,
    liftMmPerS: 10,
    liftMmPerS2: 1500,
    readyS: 0,
    isPlateRound: false,
    minLayerS: 8,
    slowestMmPerS: 10,
  });
});

it.each([
  ['layerMm', 0.001, 1000],
  ['wallLines', 1, 10],
  ['closedLayers', 0, 20],
  ['infillShare', 0, 1],
  ['infillDirections', 1, 3],
  ['skirtLines', 0, 10],
  ['skirtGapMm', 0, 50],
  ['brimMm', 0, 30],
  ['nozzleC', 0, 350],
  ['bedC', 0, 150],
  ['fanShare', 0, 1],
  ['stillLayers', 0, 20],
  ['wallMmPerS2', 10, 20_000],
  ['retractMm', 0, 20],
  ['minLayerS', 0, 120],
  ['purgeMm', 0, 500],
  ['chamberC', 0, 120],
  ['spanFanShare', 0, 1],
  ['flow', 0.5, 1.5],
])('takes %s from %f to %f, and nothing beyond', (name, least, most) => {
  const takes = (value: number) => printSettings.safeParse({ [name]: value }).success;
  expect([least, most].map(takes)).toEqual([true, true]);
  expect([least - 1, most + 0.5, most + 1].map(takes)).toEqual([false, false, false]);
});

it('fills the inside in each of its ways, and in no other', () => {
  const takes = (infillWay: string) => printSettings.safeParse({ infillWay }).success;
  expect(['lines', 'outline', 'honeycomb', 'waves'].map(takes)).toEqual([true, true, true, true]);
  expect(takes('knots')).toBe(false);
});

it('stops for another colour at most twelve times, above the plate', () => {
  const takes = (colourChangesMm: number[]) => printSettings.safeParse({ colourChangesMm }).success;
  const first = (count: number) => Array.from({ length: count }, (_, i) => i + 1);
  expect(takes(first(12))).toBe(true);
  expect(takes(first(13))).toBe(false);
  expect(takes([0])).toBe(false);
});
