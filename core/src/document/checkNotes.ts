import { requirementKinds, requirementWords, type CheckId } from '../inspect/index.ts';
import { sayList } from '../words/index.ts';

/** What the document of the inspection says of a check beyond what the check itself knows. */
export interface CheckNotes {
  readonly measures: string;
  readonly limit: string;
  /** Where the rule comes from, if it is not the card's own. */
  readonly source?: string;
  readonly blindSpots: string;
}

/** The notes of every check, by its id. */
export const checkNotes: Readonly<Record<CheckId, CheckNotes>> = {
  mesh: {
    measures:
      'Edges that have a triangle on one side only, and places where an edge of one triangle passes through another by more than 0.002 mm. Bodies that pass through each other are joined by the slicer and only warn.',
    limit:
      'None of either. What was mended when the file was read warns: triangles that were there twice or faced the wrong way, small holes, bodies that were inside out. What is missing more is refused, with the place. A part that is hardly larger than a fingernail warns that its file may be in inches or metres.',
    blindSpots:
      'Triangles that lie in one plane on top of each other, and ones that share a corner, are not held against each other. A solid that was made from a recipe cannot cross itself and is not searched.',
  },
  size: {
    measures:
      'The part’s box as it stands; the figure is the length along the axis that uses most of its room.',
    limit:
      '`buildVolumeMm`. A part thinner than `lineWidthMm`, or lower than `layerMm`, is too small to print.',
    blindSpots:
      'Whether it would fit turned is tried in steps of 5° about the upright axis, and laid down by quarter turns.',
  },
  base: {
    measures:
      'The area of the faces within 0.01 mm of the plate that are level within 1°, and the narrowest way across their hull.',
    limit: '`minBaseMm2`.',
    source: 'The narrowest way across: M. Shamos, Computational Geometry, 1978 (rotating calipers).',
    blindSpots: 'A base of many small feet counts by its area alone, however far apart they are.',
  },
  hole: {
    measures:
      'Every round wall that goes around its axis by at least 340°: diameter, depth, axis, whether it goes through, the thinnest wall beside it, and the diameter that is left when the plastic has shrunk.',
    limit: '`minHoleMm` for the diameter, `minWallMm` for the wall; `shrinkagePercent` for what comes out.',
    source: 'The circle through the corners of the wall: I. Kåsa, 1976.',
    blindSpots:
      'Holes of fewer than eight sides are taken for polygons. Cones, countersinks, slots and teardrops are no holes of their own. Walls are looked for square to the axis, at five depths and in 48 directions.',
  },
  overhang: {
    measures:
      'Ceilings held on one side only: connected faces that look down, lean further than the limit and reach out further than one line of plastic. The figure is the steepest lean from the vertical, 90° for a level face.',
    limit: '`maxOverhangDeg`.',
    blindSpots:
      'Reach is twice the area over the outline, exact for even ledges, strips and discs, and a fair guess for the rest.',
  },
  bridge: {
    measures:
      'Ceilings that are held at both ends: the shortest span, over all directions, by which every line across lands on something.',
    limit: '`maxBridgeMm`.',
    blindSpots:
      'Directions are tried every 3° and around the best every 0.3°; what a wall’s own direction gives is always tried for outlines of up to 60 edges.',
  },
  island: {
    measures:
      'Corners, edges and faces that everything around them lies higher than, other than on the plate.',
    limit: 'None.',
    blindSpots: 'What touches another body only in a point counts as beginning there.',
  },
  wall: {
    measures:
      'The thinnest wall in sections between the heights at which the part has corners: at each place of an outline the largest circle that fits, if it touches the other side opposite within 30°; and the thinnest floor, looking straight down. A wall goes on for at least twice its width, so that tips and corners of a sound shape are none.',
    limit: '`minWallMm`. Passing parts get a figure up to two and a half times that.',
    source:
      'The circles: H. Blum, A Transformation for Extracting New Descriptors of Shape, 1967 (medial axis).',
    blindSpots:
      'At most 16 sections are looked at. A wall that leans is measured level and so seems a little thicker. Floors are looked for under 1,500 places.',
  },
  gap: {
    measures: 'The narrowest slit, as walls are measured, of the air.',
    limit: '`minGapMm`.',
    blindSpots: 'As for walls. Slits that lie level are not looked for.',
  },
  bodies: {
    measures:
      'Pieces whose surfaces touch nowhere; and joints: necks of a section from one hollow of its outline to another, and sections narrower than what is above and below them.',
    limit: 'One body (more only warn where the brief allows them); `minWallMm` for joints.',
    blindSpots: 'A joint counts where both sides are on average at least 1.6 times as wide.',
  },
  stability: {
    measures:
      'For the part, and for each piece of a section that is narrower than what it stands on: height over the narrowest way across. And whether the centre of mass is over the hull of what touches the plate.',
    limit: '`maxSlenderness`.',
    blindSpots:
      'Width is taken where a thing begins, or within as much height as it is wide; what holds a thing on top, as the beam of a portal, ends its height.',
  },
  relief: {
    measures:
      'Letters and figures of a recipe: how far they stand out of, or lie in, the surface that their walls end at, and whether letters end at anything else.',
    limit: '`minReliefMm`; letters must be whole.',
    blindSpots: 'Looked for in recipes only: a bare file does not say what is a letter.',
  },
  comfort: {
    measures:
      'How pointed the outermost corners are, as the solid angle in degrees of spherical excess: 90° for the corner of a box, 120° for that of a six-sided prism, twice the angle between its sides for a straight edge.',
    limit: '80°, and never worse than a warning; 100°, and a failure, where the brief is for small hands.',
    source: 'The area of a spherical polygon: A. Girard, 1629.',
    blindSpots:
      'A tip that is rounded by less than a tenth of a millimetre counts as round. What lies in a hollow is not met by a hand and not looked at.',
  },
  time: {
    measures: 'The minutes of the sliced part, heating included.',
    limit: '`maxMinutes`.',
    blindSpots: 'Known once the part was sliced, a moment after the rest.',
  },
  material: {
    measures: 'The grams of filament of the sliced part; and what they cost at `filamentPricePerKg`.',
    limit: '`maxGrams`.',
    blindSpots: 'As for time.',
  },
  brief: {
    measures: `How many of the brief’s requirements are met, of those that can be told. It can ask that a part ${sayList(
      requirementKinds.map((kind) => requirementWords(kind.create())),
    )}.`,
    limit:
      'Each as it says. An edge is sharp where the surface turns by more than 50°, and outer where nothing lies further out that way; an object fits as the allowance of `fitAllowanceMm` says that is nearest to the play of the printed hole.',
    blindSpots:
      'Letters are told by the recipe alone. A clip counts as a hole where it reaches around by at least 200°.',
  },
};
