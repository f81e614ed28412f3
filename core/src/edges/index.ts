export {
  edgeChains,
  edgesBetweenInner,
  facingOf,
  middleOf,
  runsAlong,
  runsThrough,
  type EdgeChain,
} from './edgeChains.ts';
export { edgeName, namedEdges, namesOf, type EdgeName } from './edgeName.ts';
export type { EdgeFinishing } from './finish.ts';
export { finishedEdges, type FinishedEdges } from './finishedEdges.ts';
export { surfaceOf, type Surface } from './surface.ts';
