import { parseArgs, type ParseArgsConfig } from 'node:util';
import { inspectCommand } from './inspectCommand.ts';
import type { SheetFlags } from './sheetCommand.ts';
import { Unusable, type ExitCode, type Output } from './outcome.ts';
import { say } from '@kelbrin/core/words';

const usage = `usage:
  kelbrin inspect FILE… [--limits FILE] [--brief FILE] [--print] [--json [--region]]
                                                   check part files against a limits card and a brief
  kelbrin inspect FILE --check ID --explain [--limits FILE] [--brief FILE] [--out FOLDER]
                                                   one check with its figures, and drawings of its places
  kelbrin remedies RECIPE [--limits FILE] [--brief FILE] [--json]
                                                   list changes that mend what fails
  kelbrin build RECIPE --out PART.3mf|.stl|.step         build the part of a recipe
  kelbrin sheet RECIPE --out SHEET.pdf|.svg [--paper a4|a3] [--scale 1:1] [--section most|front|side|none] [--third-angle]
                                                   draw the part of a recipe with its measures
  kelbrin slice FILE --out PART.gcode [--limits FILE] [--set trial|everyday|detail]
                                                   slice an STL or 3MF file
Exit 0: pass or warn; 1: a part fails; 2: something cannot be used.`;

interface InspectFlags {
  limits?: string;
  brief?: string;
  print?: boolean;
  json?: boolean;
  region?: boolean;
}

/** Runs the command with its arguments. Every error that a person can mend is one sentence on the error output. */
export async function kelbrin(args: readonly string[], output: Output): Promise<ExitCode> {
  const [name, ...rest] = args;
  try {
    switch (name) {
      case 'inspect': {
        const { values, positionals } = parsed(rest, {
          limits: { type: 'string' },
          brief: { type: 'string' },
          print: { type: 'boolean' },
          json: { type: 'boolean' },
          region: { type: 'boolean' },
          check: { type: 'string' },
          explain: { type: 'boolean' },
          out: { type: 'string' },
        });
        if (positionals.length === 0) throw new Unusable(say('Name at least one file to inspect.'));
        if (values.explain || values.check !== undefined) return await explained(positionals, values, output);
        const { json = false, region = false, print = false, ...files } = values as InspectFlags;
        return await inspectCommand({ files: positionals, ...files, json, region, print }, output);
      }
      case 'build': {
        const { values, positionals } = parsed(rest, { out: { type: 'string' } });
        const [recipe, out] = oneFileTo(positionals, values.out, 'recipe');
        // The kernel is loaded only by the commands that need it; inspecting a file does not.
        return await (await import('./buildCommand.ts')).buildCommand(recipe, out, output);
      }
      case 'sheet': {
        const { values, positionals } = parsed(rest, {
          out: { type: 'string' },
          paper: { type: 'string' },
          scale: { type: 'string' },
          section: { type: 'string' },
          'third-angle': { type: 'boolean' },
        });
        const [recipe, out] = oneFileTo(positionals, values.out, 'recipe');
        const { sheetCommand } = await import('./sheetCommand.ts');
        return await sheetCommand(recipe, out, values as SheetFlags, output);
      }
      case 'remedies': {
        const { values, positionals } = parsed(rest, {
          limits: { type: 'string' },
          brief: { type: 'string' },
          json: { type: 'boolean' },
        });
        if (positionals.length !== 1) throw new Unusable(say('Name one recipe file.'));
        const { json = false, ...files } = values as { limits?: string; brief?: string; json?: boolean };
        const { remediesCommand } = await import('./remediesCommand.ts');
        return await remediesCommand({ recipe: positionals[0], ...files, json }, output);
      }
      case 'slice': {
        const { values, positionals } = parsed(rest, {
          out: { type: 'string' },
          limits: { type: 'string' },
          set: { type: 'string' },
        });
        const [file, out] = oneFileTo(positionals, values.out, 'part');
        const { sliceCommand } = await import('./sliceCommand.ts');
        return await sliceCommand({ file, out, ...(values as { limits?: string; set?: string }) }, output);
      }
      case undefined:
      case 'help':
      case '--help':
        output.out(usage);
        return name === undefined ? 2 : 0;
      default:
        throw new Unusable(say('There is no command “{name}”; try “help”.', { name }));
    }
  } catch (error) {
    if (!(error instanceof Unusable)) throw error;
    output.err(error.message);
    return 2;
  }
}

async function explained(
  positionals: string[],
  values: { check?: unknown; explain?: unknown; limits?: unknown; brief?: unknown; out?: unknown },
  output: Output,
): Promise<ExitCode> {
  const { check, explain, ...files } = values as { check?: string; explain?: boolean; limits?: string };
  if (positionals.length !== 1) throw new Unusable(say('Name one part file to explain a check of.'));
  if (check === undefined || !explain)
    throw new Unusable(say('Say which check is explained: --check ID --explain.'));
  const { explainCommand } = await import('./explainCommand.ts');
  return explainCommand({ file: positionals[0], check, ...files }, output);
}

function parsed(args: string[], options: NonNullable<ParseArgsConfig['options']>) {
  try {
    return parseArgs({ args, options, allowPositionals: true });
  } catch (error) {
    throw new Unusable(`${(error as Error).message.split('. ')[0]}.`, { cause: error });
  }
}

function oneFileTo(positionals: string[], out: unknown, what: string): [string, string] {
  if (positionals.length !== 1) throw new Unusable(say('Name one {what} file.', { what }));
  if (typeof out !== 'string') throw new Unusable(say('Say where the result goes with --out FILE.'));
  return [positionals[0], out];
}
