/** What a class's gallery says. */
export const galleryTexts = {
  title: 'Gallery',
  of: (className: string) => `Gallery of ${className}`,
  what: 'What the class has made: every design that was approved.',
  closed: 'It is closed: nobody but you sees it.',
  open: 'Open it to the class',
  close: 'Close it',
  none: 'No design was approved yet.',
  by: (student: string, brief: string) => `${brief}, by ${student}`,
  look: (student: string) => `Look at ${student}’s part`,
  back: 'Gallery',
  visit: (className: string) => `See what ${className} has made`,
} as const;
