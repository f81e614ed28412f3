import { startChecks } from '../../app/src/lib/shared/startChecks.ts';

/** Everybody of whom it is asked what they may do. */
export const everybody = [
  'visitor',
  /** The student whose project it is. */
  'own',
  /** A student who works on it in a team. */
  'team',
  /** Another student of the class. */
  'mate',
  /** A student of another teacher's class. */
  'stranger',
  'helper',
  /** The teacher of the class. */
  'teacher',
  'otherTeacher',
] as const;
export type Somebody = (typeof everybody)[number];

/** The ids that the lines of the table speak of. */
export interface Ids {
  readonly classId: string;
  readonly brief: string;
  readonly card: string;
  /** A project that is being designed, and its student. */
  readonly project: string;
  readonly student: string;
  /** Another student of the class, who has begun nothing. */
  readonly leaver: string;
  readonly helper: string;
  /** A hand-in of that project that waits for a decision. */
  readonly handIn: string;
  readonly version: string;
  /** An approved hand-in of another student, which hangs in the gallery. */
  readonly piece: string;
  /** What stands in a link to that version. */
  readonly token: string;
  readonly entry: string;
  /** A plate that is laid, with a part on it and the file that the part is of. */
  readonly plate: string;
  readonly laid: string;
  readonly file: string;
  readonly printer: string;
  /** A roll of filament on the shelf. */
  readonly spool: string;
  readonly otherClassId: string;
  /** A brief in the teacher's library, and the hash of a picture in the brief's task. */
  readonly kept: string;
  readonly taskPicture: string;
}

/** One thing that can be asked of the server, and who may. */
export interface Line {
  /** The route's folder, without its groups. */
  readonly route: string;
  /** `load` for a page, the name of a form's action after a question mark, or the method of a server route. */
  readonly call: string;
  /** Where it is asked, if that is not the route with the ids put in. */
  readonly path?: (ids: Ids) => string;
  /** Fields of the form, or the JSON of a server route. */
  readonly body?: (ids: Ids) => Record<string, unknown>;
  readonly may: readonly Somebody[];
}

const all = everybody;
const signedIn = everybody.filter((each) => each !== 'visitor');
const students: Somebody[] = ['own', 'team', 'mate', 'stranger'];
const teachers: Somebody[] = ['teacher', 'otherTeacher'];
const staff: Somebody[] = ['helper', ...teachers];
const own: Somebody[] = ['own', 'team'];
const teacher: Somebody[] = ['teacher'];
const report = { steps: 1, verdict: 'pass', failing: [], promptsDone: 0, nextPrompt: null };
const remark = { words: 'Look here.', anchor: { step: 's1' } };

/** Everything that can be asked; what changes most stands last, so that what stands before it finds all as it was. */
export const accessTable: readonly Line[] = [
  { route: '/', call: 'load', may: signedIn },
  // A Kelbrin that has a teacher is not begun again.
  { route: '/begin', call: 'load', may: [] },
  { route: '/begin', call: '?/default', body: () => ({}), may: all },
  { route: '/sign-in', call: 'load', may: all },
  { route: '/sign-in', call: '?/student', body: () => ({ code: 'NONE', name: 'x', pin: '1' }), may: all },
  { route: '/sign-in', call: '?/staff', body: () => ({ email: 'x@x.example', password: 'x' }), may: all },
  { route: '/shared/[token]', call: 'load', may: all },
  { route: '/shared/[token]', call: 'load', path: () => '/shared/made-up', may: [] },
  { route: '/shared/[token]/file/[hash]', call: 'GET', may: [] },
  { route: '/home', call: 'load', may: students },
  { route: '/notices', call: 'load', may: signedIn },
  { route: '/notices/seen', call: 'PUT', may: signedIn },
  { route: '/bench/[project]', call: 'load', may: own },
  { route: '/bench/[project]/versions', call: 'GET', may: own },
  { route: '/bench/[project]/shares', call: 'GET', may: own },
  { route: '/bench/[project]/versions/[number]', call: 'GET', may: own },
  {
    route: '/picture/[kind]/[id]',
    call: 'GET',
    path: ({ project }) => `/picture/project/${project}`,
    may: [...own, 'helper', 'teacher'],
  },
  {
    route: '/picture/[kind]/[id]',
    call: 'GET',
    path: ({ version }) => `/picture/version/${version}`,
    may: [...own, 'helper', 'teacher'],
  },
  {
    route: '/picture/[kind]/[id]',
    call: 'GET',
    path: ({ handIn }) => `/picture/hand-in/${handIn}`,
    may: [...own, ...staff],
  },
  {
    route: '/file/[project]/[hash]',
    call: 'GET',
    path: ({ project }) => `/file/${project}/${'0'.repeat(64)}`,
    may: [],
  },
  {
    route: '/live',
    call: 'GET',
    path: ({ project }) => `/live?topic=project:${project}`,
    may: [...own, 'helper', 'teacher'],
  },
  {
    route: '/live',
    call: 'GET',
    path: ({ classId }) => `/live?topic=class:${classId}`,
    may: ['helper', 'teacher'],
  },
  {
    route: '/picture/[kind]/[id]',
    call: 'GET',
    path: ({ piece }) => `/picture/hand-in/${piece}`,
    may: [...own, 'mate', ...staff],
  },
  { route: '/gallery/[class]', call: 'load', may: [...own, 'mate', 'helper', 'teacher'] },
  {
    route: '/gallery/[class]/[handIn]',
    call: 'load',
    path: ({ classId, piece }) => `/gallery/${classId}/${piece}`,
    may: [...own, 'mate', 'helper', 'teacher'],
  },
  // What is not approved hangs nowhere.
  { route: '/gallery/[class]/[handIn]', call: 'load', may: [] },
  { route: '/gallery/[class]/[handIn]/file/[hash]', call: 'GET', may: [] },
  { route: '/gallery/[class]', call: '?/set', body: () => ({ open: 'yes' }), may: teacher },
  { route: '/live', call: 'GET', path: () => '/live?topic=printroom', may: staff },
  { route: '/live', call: 'GET', path: () => '/live?topic=orders', may: [] },
  { route: '/class', call: 'load', may: teachers },
  { route: '/class/[class]', call: 'load', may: teacher },
  { route: '/class/[class]/people', call: 'load', may: teacher },
  { route: '/class/[class]/log', call: 'load', may: teacher },
  { route: '/class/[class]/figures', call: 'load', may: teacher },
  { route: '/class/[class]/export', call: 'GET', may: teacher },
  { route: '/brief/[brief]', call: 'load', may: teacher },
  { route: '/lesson/[brief]', call: 'load', may: teacher },
  { route: '/lesson/[brief]/[project]', call: 'load', may: teacher },
  { route: '/library', call: 'load', may: teachers },
  {
    route: '/task-picture/[hash]',
    call: 'GET',
    path: ({ taskPicture }) => `/task-picture/${taskPicture}`,
    may: [...own, 'mate', 'helper', 'teacher'],
  },
  { route: '/limits', call: 'load', may: teachers },
  { route: '/staff', call: 'load', may: teachers },
  { route: '/log', call: 'load', may: teachers },
  { route: '/account', call: 'load', may: signedIn },
  // A link is good for whoever has it, and none is made here.
  { route: '/enter/[token]', call: 'load', may: [] },
  { route: '/limits/[card]', call: 'load', may: teachers },
  { route: '/review', call: 'load', may: teachers },
  { route: '/review/sheet', call: 'load', may: teachers },
  { route: '/review/[handIn]', call: 'load', may: teacher },
  { route: '/queue', call: 'load', may: staff },
  { route: '/print-room', call: 'load', may: staff },
  { route: '/print-room/figures', call: 'load', may: staff },
  { route: '/plate/[plate]', call: 'load', may: staff },
  { route: '/plate/[plate]/sheet', call: 'load', may: staff },
  { route: '/plate/[plate]/part/[file]', call: 'GET', may: staff },
  { route: '/plate/[plate]/gcode', call: 'GET', may: staff },
  { route: '/plate/[plate]/photo/[entry]', call: 'GET', may: [] },

  { route: '/bench/[project]/pulse', call: 'PUT', body: () => report, may: own },
  {
    route: '/bench/[project]/prompts',
    call: 'PUT',
    body: () => ({ prompt: 'tray', isDone: false }),
    may: own,
  },
  { route: '/bench/[project]/help', call: 'PUT', body: () => ({ asks: true }), may: own },
  { route: '/lesson/[brief]', call: '?/helped', body: ({ project }) => ({ project }), may: teacher },
  { route: '/lesson/[brief]/[project]', call: '?/helped', may: teacher },
  {
    route: '/bench/[project]/design',
    call: 'PUT',
    body: () => ({ baseRevision: 999_999, design: { format: 'kelbrin-recipe', version: 1, steps: [] } }),
    may: own,
  },
  {
    route: '/bench/[project]/versions',
    call: 'POST',
    body: () => ({ revision: 999_999, name: 'x' }),
    may: own,
  },
  { route: '/bench/[project]/shares', call: 'POST', body: () => ({ version: 1, days: 400 }), may: own },
  { route: '/bench/[project]/shares', call: 'DELETE', body: ({ brief }) => ({ id: brief }), may: own },
  { route: '/bench/[project]/files', call: 'POST', may: own },
  {
    route: '/bench/[project]',
    call: '?/handIn',
    body: () => ({ revision: '999999', said: '{"note":"","arguments":[]}' }),
    may: own,
  },
  { route: '/home', call: '?/open', body: ({ brief }) => ({ brief }), may: [...own, 'mate'] },
  { route: '/review/[handIn]/seen', call: 'PUT', may: teacher },
  { route: '/bench/[project]', call: '?/withdraw', may: own },
  { route: '/review/[handIn]/remarks', call: 'POST', body: () => remark, may: teacher },
  { route: '/review/[handIn]/remarks', call: 'DELETE', body: ({ brief }) => ({ id: brief }), may: teacher },
  { route: '/review/kept', call: 'POST', body: () => ({ words: 'Well done.' }), may: teachers },
  { route: '/review/kept', call: 'DELETE', body: ({ brief }) => ({ id: brief }), may: teachers },
  {
    route: '/review/sheet',
    call: '?/approve',
    body: ({ handIn }) => ({ chosen: `${handIn} x` }),
    may: teacher,
  },
  { route: '/review/[handIn]', call: '?/approve', body: () => ({ solidHash: 'x' }), may: teacher },
  { route: '/review/[handIn]', call: '?/undo', may: teacher },
  { route: '/review/[handIn]', call: '?/sendBack', body: () => ({ comment: 'No.' }), may: teacher },
  {
    route: '/plate/[plate]/place/[entry]',
    call: 'PUT',
    body: () => ({ xMm: 60, yMm: 60, turnDeg: 0 }),
    may: staff,
  },
  { route: '/plate/[plate]/choice', call: 'PUT', body: () => ({ set: 'draft' }), may: staff },
  { route: '/plate/[plate]', call: '?/arrange', may: staff },
  {
    route: '/plate/[plate]',
    call: '?/outcome',
    body: ({ laid }) => ({ entry: laid, outcome: 'good' }),
    may: staff,
  },
  { route: '/queue', call: '?/hold', body: ({ entry }) => ({ entry, held: 'no' }), may: staff },
  { route: '/queue', call: '?/order', body: ({ entry }) => ({ entry }), may: staff },
  { route: '/queue', call: '?/drop', body: ({ entry }) => ({ entry, dropped: 'no' }), may: teachers },
  { route: '/queue', call: '?/lay', body: ({ brief }) => ({ entry: brief }), may: staff },
  {
    route: '/queue',
    call: '?/start',
    body: ({ entry, printer }) => ({ entry, printer, check: startChecks }),
    may: staff,
  },
  {
    route: '/plate/[plate]',
    call: '?/start',
    body: ({ brief }) => ({ printer: brief, check: startChecks }),
    may: [],
  },
  { route: '/plate/[plate]', call: '?/off', body: ({ brief }) => ({ entry: brief }), may: [] },
  { route: '/plate/[plate]', call: '?/plan', body: () => ({ printer: '' }), may: staff },
  { route: '/plate/[plate]', call: '?/repeat', body: ({ brief }) => ({ entry: brief }), may: [] },
  { route: '/plate/[plate]', call: '?/discard', path: ({ brief }) => `/plate/${brief}`, may: [] },
  { route: '/printers', call: '?/bringBack', body: ({ printer }) => ({ printer }), may: teachers },
  { route: '/spools', call: '?/bringBack', body: ({ spool }) => ({ spool }), may: staff },
  { route: '/print-room', call: '?/clear', body: ({ printer }) => ({ printer }), may: staff },
  { route: '/print-room', call: '?/bells', body: () => ({ day: '' }), may: teachers },
  { route: '/print-room', call: '?/pause', body: ({ brief }) => ({ run: brief }), may: staff },
  { route: '/print-room', call: '?/resume', body: ({ brief }) => ({ run: brief }), may: staff },
  { route: '/print-room', call: '?/cancel', body: ({ brief }) => ({ run: brief }), may: staff },
  {
    route: '/print-room',
    call: '?/change',
    body: ({ brief }) => ({ printer: brief, spool: brief }),
    may: [],
  },
  { route: '/print-room', call: '?/turn', body: ({ printer }) => ({ printer, turn: 'pushIn' }), may: staff },
  { route: '/print-room', call: '?/clean', body: ({ printer }) => ({ printer }), may: staff },
  { route: '/print-room', call: '?/giveChangeUp', body: ({ printer }) => ({ printer }), may: staff },
  { route: '/printers', call: 'load', may: teachers },
  {
    route: '/printers',
    call: '?/add',
    body: () => ({ name: 'Cedar', model: '', host: '127.0.0.1', port: '9' }),
    may: teachers,
  },
  {
    route: '/printers',
    call: '?/change',
    body: ({ brief }) => ({ printer: brief, name: 'Fir', model: '', host: '127.0.0.1', port: '9' }),
    may: [],
  },
  {
    route: '/printers',
    call: '?/retire',
    body: ({ brief }) => ({ printer: brief, check: startChecks }),
    may: [],
  },
  { route: '/spools', call: 'load', may: staff },
  {
    route: '/spools',
    call: '?/add',
    body: () => ({ material: 'PLA', colour: '#224466', colourName: 'night blue', gramsLeft: '500' }),
    may: staff,
  },
  { route: '/spools', call: '?/weigh', body: ({ spool }) => ({ spool, grams: '480' }), may: staff },
  { route: '/spools', call: '?/load', body: ({ spool, printer }) => ({ spool, printer }), may: staff },
  { route: '/spools', call: '?/unload', body: ({ spool }) => ({ spool }), may: staff },
  { route: '/spools', call: '?/end', body: ({ spool }) => ({ spool }), may: staff },

  { route: '/class/[class]', call: '?/brief', may: teacher },
  { route: '/class/[class]', call: '?/card', body: ({ card }) => ({ card }), may: teacher },
  {
    route: '/class/[class]',
    call: '?/filePattern',
    body: () => ({ pattern: '' }),
    may: teacher,
  },
  { route: '/class', call: '?/create', body: () => ({ name: '' }), may: teachers },
  { route: '/brief/[brief]', call: '?/save', body: () => ({ draft: '{}' }), may: teacher },
  { route: '/brief/[brief]', call: '?/copy', body: ({ classId }) => ({ toClass: classId }), may: teacher },
  { route: '/brief/[brief]', call: '?/remove', may: teacher },
  { route: '/brief/[brief]', call: '?/keep', may: teacher },
  { route: '/brief/[brief]/teams', call: 'load', may: teacher },
  {
    route: '/brief/[brief]/teams',
    call: '?/make',
    body: ({ student, leaver }) => ({ student: [student, leaver] }),
    may: teacher,
  },
  {
    route: '/brief/[brief]/teams',
    call: '?/leave',
    body: ({ leaver }) => ({ student: leaver }),
    may: teacher,
  },
  { route: '/brief/picture', call: 'POST', may: teachers },
  {
    route: '/library',
    call: '?/set',
    body: ({ kept, classId }) => ({ kept, class: classId }),
    may: teacher,
  },
  { route: '/library', call: '?/drop', body: ({ kept }) => ({ kept }), may: teacher },
  { route: '/limits', call: '?/currency', body: () => ({ currency: 'EUR' }), may: teachers },
  { route: '/limits', call: '?/create', may: teachers },
  { route: '/staff', call: '?/invite', body: () => ({ role: 'nobody' }), may: teachers },
  { route: '/staff', call: '?/reset', body: () => ({ person: 'nobody' }), may: [] },
  { route: '/staff', call: '?/close', body: () => ({ person: 'nobody' }), may: [] },
  { route: '/staff', call: '?/open', body: () => ({ person: 'nobody' }), may: [] },
  { route: '/enter/[token]', call: '?/default', body: () => ({ password: 'ten letters' }), may: [] },
  { route: '/account', call: '?/password', body: () => ({ before: 'x', next: '1' }), may: signedIn },
  { route: '/account', call: '?/endOthers', may: signedIn },
  { route: '/account', call: '?/end', body: () => ({ session: 'none' }), may: signedIn },
  { route: '/class/[class]/people', call: '?/unlock', may: teacher },
  { route: '/class/[class]/people', call: '?/revoke', body: () => ({ share: 'none' }), may: [] },
  { route: '/limits/[card]', call: '?/save', body: () => ({ draft: '{}' }), may: teachers },
  { route: '/limits/[card]', call: '?/remove', may: teachers },
  { route: '/class/[class]/people', call: '?/add', body: () => ({ list: 'Zed' }), may: teacher },
  {
    route: '/class/[class]/people',
    call: '?/rename',
    body: ({ student }) => ({ student, name: 'Zoe' }),
    may: teacher,
  },
  {
    route: '/class/[class]/people',
    call: '?/archive',
    body: ({ leaver }) => ({ student: leaver }),
    may: teacher,
  },
  { route: '/class/[class]/people', call: '?/restore', body: ({ student }) => ({ student }), may: teacher },
  {
    route: '/class/[class]/people',
    call: '?/newPins',
    body: ({ leaver }) => ({ student: leaver }),
    may: teacher,
  },
  {
    route: '/class/[class]/people',
    call: '?/addHelper',
    body: () => ({ name: 'Mx Sorrel', email: 'sorrel@wrenfield.example' }),
    may: teacher,
  },
  {
    route: '/class/[class]/people',
    call: '?/removeHelper',
    body: ({ helper }) => ({ helper }),
    may: teacher,
  },
  // A class of another teacher takes nobody.
  {
    route: '/class/[class]/people',
    call: '?/move',
    body: ({ student, otherClassId }) => ({ student, toClass: otherClassId }),
    may: [],
  },
  {
    route: '/class/[class]/people',
    call: '?/remove',
    body: ({ leaver }) => ({ student: leaver }),
    may: teacher,
  },
  { route: '/sign-out', call: '?/default', may: signedIn },
];
