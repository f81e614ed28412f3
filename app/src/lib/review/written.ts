/** What a teacher has written on a hand-in and not sent yet. */
export interface Written {
  /** What to change overall; it goes with the decision to send back. */
  readonly comment: string;
  /** A remark on a step or a place that is not added yet. */
  readonly remark: string;
  /** Why checks that fail may, by their ids; undefined until it is asked for. */
  readonly reasons?: Readonly<Record<string, string>>;
}

export const nothingWritten: Written = { comment: '', remark: '' };

/** Whether there is a word in it. */
export function isWritten({ comment, remark, reasons = {} }: Written): boolean {
  return [comment, remark, ...Object.values(reasons)].some((words) => words !== '');
}
