export type { Recognised } from './band.ts';
export { circleThrough } from './circles.ts';
export { facetsOf, type Facet, type FacetEdge, type Facets } from './facets.ts';
export { recognised } from './recognised.ts';
export { aroundAxis, offSurface, ontoAll, type Surface } from './surface.ts';
