import { said, say } from '@kelbrin/core/words';

/** What is said where a print is watched line by line. */
export const growTexts = said({
  title: (batch: number) => say('Batch {batch} grows', { batch }),
  watch: 'Watch it grow',
  on: (printer: string) => say('on {printer}', { printer }),
  begins: 'It begins soon',
  left: (time: string) => say('about {time} left', { time }),
  paused: 'paused',
  done: 'printed',
  ended: 'ended before it was done',
  again: 'seen again',
  loading: 'working out its lines',
  layer: (layer: number, of: number, height: string) =>
    say('layer {layer} of {of}, {height} mm', { layer, of, height }),
  height: 'Height of what is printed',
  heightHow: 'Drag to a layer that is printed already',
  picture: (where: string) => say('The lines that are printed now: {where}', { where }),
  progress: 'Share that is printed',
  all: 'Show the whole plate',
  mine: 'Show my part',
  replay: 'See it again from the start',
  notFollowing: 'The connection is lost. This goes on when it is back.',
} as const);
