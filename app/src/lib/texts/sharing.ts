/** What is said about links to a version. */
export const sharingTexts = {
  title: (student: string, brief: string) => `${student}: ${brief}`,
  version: (part: string, number: number) => `${part}, version ${number}`,
  until: (day: string) => `This link works until ${day}.`,
  recipe: 'Recipe',
  solid: 'Solid',
  share: 'Share a link',
  make: 'Make the link',
  days: (count: number) => (count === 1 ? 'for a day' : `for ${count} days`),
  howLong: 'How long the link works',
  links: 'Links that work now',
  what: 'Whoever has a link sees this version, and nothing else of yours.',
  line: (version: number, day: string) => `version ${version}, until ${day}`,
  copy: 'Copy',
  copied: 'Copied.',
  takeBack: 'End the link',
} as const;
