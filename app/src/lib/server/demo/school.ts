import { labelRecipe } from './labels.ts';
import type { Guidance } from '@kelbrin/core/guide';
import type { BriefRules } from '@kelbrin/core/inspect';
import type { Recipe } from '@kelbrin/core/recipe';
import { taskOf, type TaskItem, type TaskText } from '../../shared/taskText.ts';

/** How far a student of the demo school has come. */
export type Progress = 'nothing' | 'designing' | 'waiting' | 'sentBack' | 'queued' | 'printing' | 'printed';

export interface DemoStudent {
  readonly name: string;
  readonly signInName: string;
  readonly progress: Progress;
  readonly recipe?: Recipe;
  /** What the teacher wrote when sending it back. */
  readonly comment?: string;
  /** What was handed in before, and sent back with a comment and a remark at the letters. */
  readonly before?: { readonly recipe: Recipe; readonly comment: string; readonly remark: string };
  /** What the student wrote with the hand-in. */
  readonly note?: string;
  /** Why the student wants something that checks fail. */
  readonly argues?: { readonly checks: readonly string[]; readonly words: string };
  /** How many days ago the student began; today if that is not said. */
  readonly begunDaysAgo?: number;
  /** Checks that failed while the student designed, and for how many minutes until they were mended. */
  readonly mended?: readonly (readonly [check: string, minutes: number])[];
  /** In the lesson that goes on, how many minutes ago the student edited last, and asked for help. */
  readonly lesson?: { readonly editedAgo: number; readonly askedAgo?: number };
}

interface School {
  readonly teacher: Staff;
  readonly helper: Staff;
  readonly className: string;
  readonly classCode: string;
  readonly studentPin: string;
  readonly brief: {
    readonly title: string;
    readonly task: TaskText;
    readonly rules: BriefRules;
    readonly guidance: Guidance;
  };
}

/** A line of a list, with a few words that matter in bold. */
function item(before: string, bold: string, after: string): TaskItem {
  const content = [
    { type: 'text' as const, text: before },
    { type: 'text' as const, text: bold, marks: [{ type: 'bold' as const }] },
    { type: 'text' as const, text: after },
  ];
  return { type: 'listItem', content: [{ type: 'paragraph', content }] };
}

interface Staff {
  readonly name: string;
  readonly email: string;
  readonly password: string;
}

/** Everyone and everything here is made up. */
export const school: School = {
  teacher: { name: 'Ms Fenwick', email: 'fenwick@wrenfield.example', password: 'greenhouse kit' },
  helper: { name: 'Mr Oduya', email: 'oduya@wrenfield.example', password: 'print room key' },
  className: 'Year 8, Wren group',
  classCode: 'WREN8',
  /** One PIN for all demo students, so that any of them can be tried. */
  studentPin: '284615',
  brief: {
    title: 'Seed-tray labels',
    task: {
      type: 'doc',
      content: [
        ...taskOf(
          'Design a label for one tray of the school greenhouse. It carries the name of a plant in letters that can be ' +
            'read from a metre away, and a hole for the string.',
        ).content,
        {
          type: 'bulletList',
          content: [
            item('The hole is at least ', '3 mm', ' wide.'),
            item('It prints ', 'without supports', '.'),
          ],
        },
      ],
    },
    rules: {
      requirements: [
        { kind: 'hole', reach: 'through', atLeastMm: 3 },
        { kind: 'letters', tallMm: 7 },
        { kind: 'oneBody' },
        { kind: 'grams', atMostG: 12 },
      ],
    },
    guidance: [
      { id: 'tray', words: 'Measure with a ruler how wide your label may be, and sketch it on paper.' },
      {
        id: 'name',
        words: 'Write the name of your plant on the label.',
        until: { kind: 'step', step: 'letters', atLeast: 1 },
      },
      {
        id: 'hole',
        words: 'Cut a hole that your string goes through.',
        until: { kind: 'check', check: 'hole' },
      },
      {
        id: 'checks',
        words: 'Look at each finding of the inspection and mend what fails.',
        until: { kind: 'noneFails' },
      },
    ],
  },
};

export const demoStudents: readonly DemoStudent[] = [
  {
    name: 'Asha',
    signInName: 'asha',
    progress: 'designing',
    lesson: { editedAgo: 5 },
    // The hole is so small that it closes up.
    recipe: labelRecipe({ words: 'Basil', holeMm: 1.6 }),
  },
  {
    name: 'Bruno',
    begunDaysAgo: 1,
    signInName: 'bruno',
    progress: 'waiting',
    // The letters run off the plate, and their ends hang in the air.
    argues: {
      checks: ['overhang', 'island', 'bodies', 'relief', 'brief'],
      words: 'The word runs off the label on purpose, like a plant that grows over its pot.',
    },
    recipe: labelRecipe({ words: 'Coriander', widthMm: 72, lettersInMm: 12 }),
  },
  {
    name: 'Cleo',
    begunDaysAgo: 2,
    mended: [['hole', 6]],
    signInName: 'cleo',
    progress: 'sentBack',
    argues: { checks: ['size', 'brief'], words: 'It has to be read from the other end of the greenhouse.' },
    // Longer than the plate of any of the school's printers.
    recipe: labelRecipe({ words: 'Tomatoes, row 1', widthMm: 240, depthMm: 30, tallMm: 16 }),
    comment: 'Lovely big letters, but our printers end at 220 mm. Can you make it shorter?',
  },
  {
    name: 'Dario',
    begunDaysAgo: 5,
    mended: [
      ['hole', 11],
      ['relief', 4],
    ],
    signInName: 'dario',
    progress: 'waiting',
    note: 'I made the hole wider, because our string is thick.',
    recipe: labelRecipe({ words: 'Chives', holeMm: 5, lettersIn: 'chalkWhite' }),
  },
  {
    name: 'Elif',
    begunDaysAgo: 6,
    mended: [
      ['brief', 25],
      ['wall', 9],
    ],
    signInName: 'elif',
    progress: 'waiting',
    before: {
      recipe: labelRecipe({ words: 'Dil', widthMm: 45, tallMm: 8 }),
      comment: 'Good idea! It has to be read from a metre away.',
      remark: 'Larger letters, and dill has two l.',
    },
    note: 'I made the label wider, so that the letters have room.',
    recipe: labelRecipe({ words: 'Dill', widthMm: 55 }),
  },
  {
    name: 'Femi',
    begunDaysAgo: 6,
    mended: [['hole', 8]],
    signInName: 'femi',
    progress: 'queued',
    recipe: labelRecipe({ words: 'Mint', widthMm: 60, tallMm: 12 }),
  },
  {
    name: 'Greta',
    begunDaysAgo: 6,
    mended: [
      ['island', 14],
      ['hole', 5],
    ],
    signInName: 'greta',
    progress: 'queued',
    recipe: labelRecipe({ words: 'Thyme', depthMm: 22 }),
  },
  {
    name: 'Hugo',
    begunDaysAgo: 7,
    mended: [['wall', 17]],
    signInName: 'hugo',
    progress: 'queued',
    recipe: labelRecipe({ words: 'Sage', sunk: true, thickMm: 3 }),
  },
  {
    name: 'Ines',
    begunDaysAgo: 7,
    mended: [['size', 3]],
    signInName: 'ines',
    progress: 'printing',
    recipe: labelRecipe({ words: 'Parsley', widthMm: 88 }),
  },
  {
    name: 'Jonah',
    begunDaysAgo: 7,
    mended: [
      ['relief', 6],
      ['wall', 12],
    ],
    signInName: 'jonah',
    progress: 'printed',
    recipe: labelRecipe({ words: 'Leek', widthMm: 60 }),
  },
  {
    name: 'Keiko',
    begunDaysAgo: 7,
    mended: [['hole', 4]],
    signInName: 'keiko',
    progress: 'printed',
    recipe: labelRecipe({ words: 'Kale', widthMm: 60 }),
  },
  {
    name: 'Luca',
    begunDaysAgo: 1,
    mended: [
      ['island', 7],
      ['hole', 3],
    ],
    signInName: 'luca',
    progress: 'designing',
    lesson: { editedAgo: 1 },
    recipe: labelRecipe({ words: 'Rocket', widthMm: 80 }),
  },
  { name: 'Maren', signInName: 'maren', progress: 'designing', lesson: { editedAgo: 6, askedAgo: 4 } },
  { name: 'Noor', signInName: 'noor', progress: 'nothing' },
];

/** The two printers of the print room with what is on them; where they answer is set when they are started. */
export const demoPrinters = [
  {
    name: 'Alder',
    model: 'Classroom 220',
    spool: { material: 'PLA', colour: '#3f8f5f', colourName: 'leaf green', gramsLeft: 412, pricePerKg: 18.5 },
  },
  {
    name: 'Birch',
    model: 'Classroom 220',
    spool: { material: 'PLA', colour: '#d9822b', colourName: 'pot orange', gramsLeft: 61, pricePerKg: 21 },
  },
] as const;

/** What lies on the shelf. */
export const demoShelf = [
  { material: 'PLA', colour: '#e8e4d8', colourName: 'chalk white', gramsLeft: 1000 },
  { material: 'PETG', colour: '#39424e', colourName: 'slate grey', gramsLeft: 730 },
] as const;
