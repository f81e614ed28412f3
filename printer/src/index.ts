export { faultKinds, type FaultKind } from './faults.ts';
export { Machine } from './machine.ts';
export { modelOf, type Model } from './model.ts';
export { startPrinter, type PrinterOptions, type RunningPrinter } from './server.ts';
