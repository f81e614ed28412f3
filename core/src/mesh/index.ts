export * from './pose.ts';
export * from './solidMesh.ts';
export * from './distance.ts';
export * from './featureEdges.ts';
export * from './measure.ts';
export * from './restingFaces.ts';
export * from './topology.ts';
export * from './weld.ts';
