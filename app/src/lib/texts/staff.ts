import { said, say } from '@kelbrin/core/words';

/** What the page of colleagues says, and the page by which they come in. */
export const staffTexts = said({
  title: 'Colleagues',
  what: 'Teachers and helpers of the school. Whoever leaves is shut out at once; what they did stays theirs.',
  teacher: 'teacher',
  helper: 'helper',
  of: (classes: readonly string[]) => (classes.length === 0 ? say('no class') : classes.join(', ')),
  signedIn: (count: number) =>
    count === 0
      ? say('not signed in')
      : say('{count, plural, one {signed in on one device} other {signed in on # devices}}', { count }),
  you: 'you',
  closed: 'cannot sign in',
  close: 'Shut out',
  closeNamed: (name: string) => say('Shut {name} out', { name }),
  closeTitle: (name: string) => say('Shut {name} out?', { name }),
  closeWhat: (name: string) =>
    say('{name} is signed out everywhere at once and cannot sign in any more. You can take it back.', {
      name,
    }),
  open: 'Let in again',
  openNamed: (name: string) => say('Let {name} in again', { name }),
  reset: 'New password',
  resetNamed: (name: string) => say('Make a link to a new password for {name}', { name }),
  invite: 'Invite a colleague',
  inviteWhat: (hours: number) =>
    say('Make a link and send it to them. It can be used once, and for {hours} hours.', { hours }),
  as: 'As',
  ofClass: 'Helps in',
  make: 'Make a link',
  link: (link: string) => say('Send this link, which is shown once: {link}', { link }),
  enterTitle: 'Come in',
  enterAs: (role: 'teacher' | 'helper', className: string | null) =>
    role === 'teacher'
      ? say('You are invited as a teacher.')
      : say('You are invited as a helper of {className}.', { className: className ?? '' }),
  enterReset: (name: string) => say('Choose a new password, {name}.', { name }),
  enter: 'Come in',
} as const);
