/** What is said where something is asked first. */
export const askTexts = {
  no: 'Leave it as it is',
} as const;
