import {
  codeProblems,
  exampleValues,
  machineSheet,
  sheetFields,
  type CodePlace,
  type MachineSheet,
} from '@kelbrin/core/machine';
import { said, say } from '@kelbrin/core/words';

/** What the places are called at which a sheet has code of its own, in the order in which they come. */
export const codePlaces: Readonly<Record<CodePlace, string>> = said({
  before: 'Before a print',
  after: 'After a print',
  pause: 'At a pause',
  colourChange: 'Where a person changes the filament',
  filamentChange: 'Where it changes the filament by itself',
});

/** Reads a sheet from untrusted data; returns it, or one sentence that names what is wrong with it and where. */
export function readMachineDraft(
  data: unknown,
): { ok: true; sheet: MachineSheet } | { ok: false; message: string } {
  const parsed = machineSheet.safeParse(data);
  if (!parsed.success) {
    const { path, message } = parsed.error.issues[0];
    return { ok: false, message: `${fieldWords(path)}: ${message}.` };
  }
  for (const place of Object.keys(codePlaces) as CodePlace[]) {
    const [problem] = codeProblems(place, parsed.data, exampleValues(parsed.data));
    if (problem) return { ok: false, message: lineWords(place, problem.line, problem.message) };
  }
  return { ok: true, sheet: parsed.data };
}

function lineWords(place: CodePlace, line: number, problem: string): string {
  return say('{place}, line {line}: {problem}', { place: codePlaces[place], line, problem });
}

function fieldWords(path: readonly PropertyKey[]): string {
  if (path[0] === 'name') return say('Name');
  const key = path.join();
  for (const { title, fields } of sheetFields) {
    const field = fields.find((each) => each.path.join() === key);
    if (field) return `${title}, ${field.label}`;
  }
  return say('The machine sheet');
}
