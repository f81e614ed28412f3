/** What is said at a field for a number. */
export const fieldTexts = {
  notKnown: 'not known',
  howToChange: (label: string) => `${label}: type, drag sideways, or use the arrow keys`,
} as const;
