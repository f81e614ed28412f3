import { said, say } from '@kelbrin/core/words';
import type { ChangeStep } from '../server/printing/filament/lifecycle';

/** What is said while filament is changed. */
export const filamentTexts = said({
  open: 'Change filament',
  title: (printer: string) => say('Change the filament of {printer}', { printer }),
  which: 'Which spool goes on?',
  spool: (number: number, material: string, colour: string, grams: number) =>
    say('No. {number}: {material}, {colour}, {grams} g', {
      number,
      material,
      colour,
      grams: Math.round(grams),
    }),
  where: 'Where?',
  at: (place: number, what: string) => say('Place {place}: {what}', { place: place + 1, what }),
  inIt: (material: string, colour: string) => say('{material}, {colour}', { material, colour }),
  none: 'There is no spool on the shelf that fits. Add one under “Spools”.',
  spools: 'Spools',
  begin: 'Heat the nozzle',
  stages: ['Heat', 'Draw out', 'Put in', 'Push through'],
  step: {
    heating: 'Heating for what is in the nozzle and for what comes.',
    hot: 'It is hot. Hold the filament at the back while it is drawn out.',
    unloading: 'Drawing out …',
    empty:
      'Take the filament out and clip its end into the rim of its spool. Hang the new spool, cut its end off at a slant, and put it in until it is held.',
    loading: 'Pushing in …',
    loaded: 'Wipe the nozzle. Does the colour run clean?',
    purging: 'Pushing more through …',
    cooling: 'Done; the printer takes over.',
  } satisfies Record<ChangeStep, string>,
  coming: 'Comes on:',
  degrees: (nowC: number, wantedC: number) => say('{nowC}° of {wantedC}°', { nowC, wantedC }),
  hot: 'The nozzle is hot: do not touch it.',
  drawOut: 'Draw it out',
  nothingIn: 'Nothing is in it',
  pushIn: 'Push it in',
  more: 'Push more',
  clean: 'It runs clean',
  giveUp: 'Stop changing',
} as const);
