/** How a recipe of one version becomes one of the next. Data as it was stored goes in, so nothing of it is trusted. */
export interface Migration {
  readonly from: number;
  migrate(data: unknown): unknown;
}

type Data = Record<string, unknown>;

/**
 * Version 1 knew three kinds of step, placed along two axes on the plate or on top of a step; sizes were plain numbers.
 */
const one: Migration = {
  from: 1,
  migrate(data) {
    const { steps, ...rest } = data as Data;
    return { ...rest, version: 2, measures: [], steps: Array.isArray(steps) ? steps.map(stepOfTwo) : steps };
  },
};

function stepOfTwo(data: unknown): unknown {
  if (typeof data !== 'object' || data === null) return data;
  const step = data as Data;
  const at = (z: unknown) => ({ ...(step.placement as Data | undefined), z });
  const onPlate = { relation: 'at', own: 'low', mm: 0 };
  const onTop = { relation: 'beside', edge: 'high', overlapMm: 0 };
  const fromTop = { relation: 'inFrom', edge: 'high', mm: 0 };
  const isOnStep = ((step.placement as Data | undefined)?.on as Data | undefined)?.step !== undefined;
  switch (step.kind) {
    case 'extrude': {
      const { upMm, base, ...rest } = step;
      const placement = at(base === 'top' && isOnStep ? onTop : onPlate);
      return { ...rest, effect: 'add', facing: 'up', depth: { type: 'by', mm: upMm }, placement };
    }
    case 'hole': {
      const { diameterMm, ...rest } = step;
      return { ...rest, size: { by: 'diameter', mm: diameterMm }, facing: 'up', placement: at(fromTop) };
    }
    case 'letters': {
      const { words, font, tallMm, ...rest } = step;
      const lettering = { words, font, size: { by: 'height', mm: tallMm } };
      return { ...rest, lettering, facing: 'up', placement: at(isOnStep ? onTop : onPlate) };
    }
    default:
      return step;
  }
}

/** Version 2 could finish the outer edge of an outline alone, and not the rims of its openings alone. */
const two: Migration = {
  from: 2,
  migrate(data) {
    const { steps, ...rest } = data as Data;
    return { ...rest, version: 3, steps: Array.isArray(steps) ? steps.map(stepOfThree) : steps };
  },
};

function stepOfThree(data: unknown): unknown {
  if (typeof data !== 'object' || data === null || !('outerOnly' in data)) return data;
  const { outerOnly, ...step } = data;
  return { ...step, ...(outerOnly === true ? { finishes: 'outer' } : { outerOnly }) };
}

/** Version 3 called the bend of an edge and the ways to put outlines together by other names. */
const three: Migration = {
  from: 3,
  migrate: (data) => ({ ...(outlinesOfFour(data) as Data), version: 4 }),
};

function outlinesOfFour(data: unknown): unknown {
  if (Array.isArray(data)) return data.map(outlinesOfFour);
  if (typeof data !== 'object' || data === null) return data;
  return Object.fromEntries(
    Object.entries(data).map(([key, value]) => {
      if (key === 'bulge') return ['bend', value];
      if (key === 'how' && 'outline' in data)
        return [key, value === 'join' ? 'and' : value === 'cut' ? 'without' : value];
      return [key, outlinesOfFour(value)];
    }),
  );
}

/** Version 4 could round the outer corners of an outline and its inner ones, and nothing else. */
const four: Migration = {
  from: 4,
  migrate(data) {
    const { steps, ...rest } = data as Data;
    return { ...rest, version: 5, steps: Array.isArray(steps) ? steps.map(stepOfFive) : steps };
  },
};

function stepOfFive(data: unknown): unknown {
  if (typeof data !== 'object' || data === null || !('rounding' in data)) return data;
  const { rounding, ...step } = data;
  const { outerMm, innerMm } = (rounding ?? {}) as Data;
  const corners = Object.entries({ outer: outerMm, inner: innerMm })
    .filter(([, mm]) => mm !== 0)
    .map(([which, mm]) => ({ which, finish: 'round', mm }));
  return { ...step, corners };
}

/** Version 5 knew the pieces of an outline by their order alone, and each lay where it was drawn. */
const five: Migration = {
  from: 5,
  migrate: (data) => ({ ...(outlinesOfSix(data) as Data), version: 6 }),
};

function outlinesOfSix(data: unknown): unknown {
  if (Array.isArray(data)) return data.map(outlinesOfSix);
  if (typeof data !== 'object' || data === null) return data;
  const entries = Object.entries(data).map(([key, value]) => [key, outlinesOfSix(value)] as const);
  const inner = Object.fromEntries(entries) as Data;
  if (inner.shape !== 'combined' || !Array.isArray(inner.pieces)) return inner;
  return { ...inner, pieces: inner.pieces.map(pieceOfSix) };
}

function pieceOfSix(data: unknown, index: number): unknown {
  if (typeof data !== 'object' || data === null) return data;
  const { xMm, yMm, ...piece } = data as Data;
  return { id: `p${index + 1}`, ...piece, place: { from: 'middle', xMm, yMm } };
}

/** Version 6 had two ways to scale the whole part: as a step, and as it was set down. */
const six: Migration = {
  from: 6,
  migrate(data) {
    const { steps, ...rest } = data as Data;
    if (!Array.isArray(steps)) return { ...rest, version: 7, steps };
    const taken = new Set(steps.map((step) => (step as Data | null)?.id));
    return { ...rest, version: 7, steps: steps.flatMap((step) => stepsOfSeven(step, taken)) };
  },
};

function stepsOfSeven(data: unknown, taken: ReadonlySet<unknown>): unknown[] {
  if (typeof data !== 'object' || data === null || !('scaleTo' in data)) return [data];
  const { scaleTo, ...step } = data as Data;
  // Ids that are counted on stay below the ones that are given next.
  const free = [...'abcdefgh'].map((letter) => `${String(step.id)}${letter}`).find((id) => !taken.has(id));
  const to = { by: 'length', ...(scaleTo as Data) };
  return [step, { id: free, kind: 'scale', ...('off' in step && { off: step.off }), to }];
}

/** All migrations, oldest first. */
export const migrations: readonly Migration[] = [one, two, three, four, five, six];
