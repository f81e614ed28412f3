export { startPrinter, type PrinterOptions, type RunningPrinter } from './server.ts';
