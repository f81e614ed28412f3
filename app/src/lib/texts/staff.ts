/** What the page of colleagues says, and the page by which they come in. */
export const staffTexts = {
  title: 'Colleagues',
  what: 'Teachers and helpers of the school. Whoever leaves is shut out at once; what they did stays theirs.',
  teacher: 'teacher',
  helper: 'helper',
  of: (classes: readonly string[]) => (classes.length === 0 ? 'no class' : classes.join(', ')),
  signedIn: (count: number) =>
    count === 0 ? 'not signed in' : count === 1 ? 'signed in on one device' : `signed in on ${count} devices`,
  you: 'you',
  closed: 'cannot sign in',
  close: 'Shut out',
  closeNamed: (name: string) => `Shut ${name} out`,
  closeTitle: (name: string) => `Shut ${name} out?`,
  closeWhat: (name: string) =>
    `${name} is signed out everywhere at once and cannot sign in any more. You can take it back.`,
  open: 'Let in again',
  openNamed: (name: string) => `Let ${name} in again`,
  reset: 'New password',
  resetNamed: (name: string) => `Make a link to a new password for ${name}`,
  invite: 'Invite a colleague',
  inviteWhat: (hours: number) =>
    `Make a link and send it to them. It can be used once, and for ${hours} hours.`,
  as: 'As',
  ofClass: 'Helps in',
  make: 'Make a link',
  link: (link: string) => `Send this link, which is shown once: ${link}`,
  enterTitle: 'Come in',
  enterAs: (role: 'teacher' | 'helper', className: string | null) =>
    role === 'teacher'
      ? 'You are invited as a teacher.'
      : `You are invited as a helper of ${className ?? ''}.`,
  enterReset: (name: string) => `Choose a new password, ${name}.`,
  enter: 'Come in',
} as const;
