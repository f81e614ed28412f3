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
  /** A batch that is laid, with a part on it and the file that the part is of. */
  readonly batch: string;
  readonly laid: string;
  readonly file: string;
  readonly printer: string;
  /** A machine sheet that no printer goes by. */
  readonly machine: string;
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
