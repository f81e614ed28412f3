import { basename } from 'node:path';
import { writeSheetPdf, writeSheetSvg } from '@kelbrin/core/format';
import { papers, partSheet, recipeSheet, scales, scaleWords, type SheetWish } from '@kelbrin/core/sheet';
import { drawingScribe } from '@kelbrin/core/solid';
import { locale, say } from '@kelbrin/core/words';
import { builtRecipe } from './builtRecipe.ts';
import { writeResult } from './files.ts';
import { Unusable, type ExitCode, type Output } from './outcome.ts';
import { workshop } from './workshop.ts';

/** How a sheet is asked for, as it was typed. */
export interface SheetFlags {
  readonly paper?: string;
  readonly scale?: string;
  readonly section?: string;
  readonly 'third-angle'?: boolean;
}

/** Draws the part of a recipe file as a sheet, PDF or SVG by the ending of the output's name. */
export async function sheetCommand(
  recipePath: string,
  outPath: string,
  flags: SheetFlags,
  output: Output,
): Promise<ExitCode> {
  const ending = /\.(pdf|svg)$/i.exec(outPath)?.[1].toLowerCase();
  if (!ending) throw new Unusable(say('{outPath}: the name must end in .pdf or .svg.', { outPath }));
  const wish = wishOf(flags);
  const { recipe, built } = await builtRecipe(recipePath);
  const date = new Date().toLocaleDateString(locale(), { day: 'numeric', month: 'short', year: 'numeric' });
  const part = basename(recipePath).replace(/\.json$/i, '');
  const drawn = recipeSheet(recipe, built, { part, project: '', author: '', date });
  const made = partSheet(drawn, wish, drawingScribe((await workshop()).fonts));
  if (!made.ok) throw new Unusable(`${recipePath}: ${made.reason}`);
  const bytes = ending === 'pdf' ? await writeSheetPdf(made.sheet, new Date()) : writeSheetSvg(made.sheet);
  await writeResult(outPath, bytes);
  output.out(say('{outPath}: drawn at {scale}', { outPath, scale: scaleWords(made.scale) }));
  return 0;
}

function wishOf({ paper = 'a4', scale, section = 'most', ...flags }: SheetFlags): SheetWish {
  const sizes = scales.map((each) => ({ each, words: scaleWords(each).replaceAll(' ', '') }));
  const chosen = sizes.find(({ words }) => words === scale?.replaceAll(' ', ''));
  if (scale !== undefined && !chosen)
    throw notOffered(
      '--scale',
      scale,
      sizes.map(({ words }) => words),
    );
  return {
    paper: oneOf('--paper', paper.toLowerCase(), Object.keys(papers) as (keyof typeof papers)[]),
    scale: chosen?.each,
    section: oneOf('--section', section, ['most', 'front', 'side', 'none']),
    projection: flags['third-angle'] ? 'third' : 'first',
  };
}

function oneOf<Name extends string>(flag: string, typed: string, offered: readonly Name[]): Name {
  const found = offered.find((each) => each === typed);
  if (found === undefined) throw notOffered(flag, typed, offered);
  return found;
}

function notOffered(flag: string, typed: string, offered: readonly string[]): Unusable {
  return new Unusable(
    say('{flag} {typed} cannot be chosen: choose {offered}.', {
      flag,
      typed,
      offered: new Intl.ListFormat(locale(), { type: 'disjunction' }).format(offered),
    }),
  );
}
