import { said, say } from '@kelbrin/core/words';

/** What is said of those who are at a bench together, and of what a teacher points at. */
export const companyTexts = said({
  worksHere: (names: string) => say('{names} is here', { names }),
  atStep: (teacher: string, number: number) => say('{teacher} points at step {number}:', { teacher, number }),
  atPlace: (teacher: string) => say('{teacher} points at the solid:', { teacher }),
  show: 'Show me',
  seen: 'Seen',
  point: 'Point at something',
  pointHow: 'Press a sentence or a place on the solid, and write what is to be seen there.',
  words: 'What is to be seen there',
  atSentence: (number: number) => say('At step {number}', { number }),
  atPlacePressed: 'At the place that was pressed',
  pickPlace: 'Press a place on the solid',
  pickingPlace: 'Press the place now …',
  send: 'Point there',
  pointed: (words: string) => say('You point: {words}', { words }),
  takeBack: 'Take back',
});
