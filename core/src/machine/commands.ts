import { say } from '../words/index.ts';
import type { MachineSheet } from './machineSheet.ts';

/** Commands that every printer takes: moving, homing, heating, fans, words on a display, waiting. */
const COMMON = new Set(
  'G0 G1 G4 G21 G28 G90 G91 G92 M17 M18 M82 M83 M84 M104 M106 M107 M109 M117 M140 M190 M220 M221 M300 M400'.split(
    ' ',
  ),
);

/** Why a command is none of a printer’s, in a sentence; nothing where it is one. */
export function commandProblem(command: string, sheet: MachineSheet): string | undefined {
  if (COMMON.has(command)) return undefined;
  const { dialect } = sheet;
  switch (command) {
    case 'G2':
    case 'G3':
      return dialect.takesArcs ? undefined : say('this printer takes no arcs');
    case 'G10':
    case 'G11':
      return dialect.retractsByItself ? undefined : say('this printer does not retract by itself');
    case 'G29':
      return sheet.levels ? undefined : say('this printer does not level its plate');
    case 'M141':
    case 'M191':
      return sheet.hasChamber ? undefined : say('this printer has no chamber');
    case 'M204':
      return dialect.takesAccelerations ? undefined : say('this printer does not take accelerations');
    case 'M205':
      return dialect.takesCorners ? undefined : say('this printer does not take corner distances');
    case 'M600':
      return undefined;
  }
  const tool = /^T(\d+)$/.exec(command);
  if (!tool) return say('no printer knows “{command}”', { command });
  return Number(tool[1]) < sheet.filaments
    ? undefined
    : say('this printer has no filament {command}: it changes between {count}', {
        command,
        count: sheet.filaments,
      });
}
