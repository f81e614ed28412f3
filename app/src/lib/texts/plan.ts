/** What the plan says, and drawing on it. */
export const planTexts = {
  plan: 'Plan',
  drawing: 'Drawing',
  outline: 'Outline',
  profile: 'Profile',
  smooth: 'Smooth',
  mirrored: 'Mirrored',
  freehand: 'Freehand',
  anew: 'Start again',
  done: 'Done',
  putIn: 'Double-click to put a point in',
  bend: 'Drag to bend the edge',
  how: 'Click to put points; click the first one again to close the outline.',
  points: 'Points',
  point: (number: number, words: string) => `point ${number}, ${words}`,
  addPoint: 'point',
  deletePoint: (number: number) => `Delete point ${number}`,
} as const;
