/* What is kept of a print as data. It stands apart from the slicer, so that a database needs no geometry kernel. */

export { printEstimate } from './printEstimate.ts';
export { partChoice, printChoice } from './settings/settingSets.ts';
