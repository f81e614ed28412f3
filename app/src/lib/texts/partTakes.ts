/** Words for what the print of a part takes. */
export const partTakesTexts = {
  grams: 'g',
  together: (copies: number) => `${copies} copies together:`,
} as const;
