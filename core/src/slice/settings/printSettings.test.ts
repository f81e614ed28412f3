import { expect, it } from 'vitest';
import { everydaySettings } from '../index.ts';

// Each of these numbers changes every print of every school, so none is changed without meaning to.
it('prints PLA as ordinary classroom printers do, unless something else is said', () => {
  expect(everydaySettings).toEqual({
    layerMm: 0.2,
    firstLayerMm: 0.2,
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
    colourChangesMm: [],
    filamentDiameterMm: 1.75,
    filamentGramsPerCm3: 1.24,
    nozzleC: 210,
    bedC: 60,
    fanShare: 1,
    stillLayers: 2,
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
    minLayerS: 8,
    slowestMmPerS: 10,
  });
});
