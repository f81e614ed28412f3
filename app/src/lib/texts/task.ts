import { said } from '@kelbrin/core/words';

/** What is said where a task is written, and where it is read. */
export const taskTexts = said({
  tools: 'Format the task',
  bold: 'Bold',
  italic: 'Italic',
  heading: 'Heading',
  bullets: 'List',
  numbers: 'Numbered list',
  link: 'Link',
  linkTo: 'Where does the link lead? (empty for none)',
  picture: 'Add a picture',
  pictureWords: 'What does the picture show? Students who cannot see it hear this.',
  ok: 'Add',
  cancel: 'Cancel',
  notALink: 'A link begins with https:// or http://.',
  read: 'Task',
} as const);
