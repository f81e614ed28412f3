import * as z from 'zod';
import { material, type Material } from '@kelbrin/core/machine';
import { said, say } from '@kelbrin/core/words';
import { numberField, optionalNumberField, type NumberRules } from './number.ts';
import { spoolPrice } from './spool.ts';

/** A figure of a material, as it is asked for: shares are typed in per cent. */
export interface MaterialField extends NumberRules {
  readonly key: keyof Material;
  readonly label: string;
  /** What is shown behind the number. */
  readonly shown: string;
  /** How much of it is one, where it is kept as a share. */
  readonly per: 1 | 100;
}

const celsius = { unit: '' as const, shown: '°C', per: 1 as const, whole: true };
const speed = { unit: '' as const, shown: 'mm/s', per: 1 as const, min: 1, max: 300 };
const percent = { unit: '' as const, shown: '%', per: 100 as const };

/** What is asked of a material, in the groups in which it is asked. */
export const materialFields: readonly {
  readonly title: string;
  readonly fields: readonly MaterialField[];
}[] = said(
  [
    {
      title: 'Temperatures',
      fields: [
        { key: 'nozzleC', label: 'nozzle', ...celsius, min: 150, max: 500 },
        { key: 'bedC', label: 'plate', ...celsius, min: 0, max: 200 },
        { key: 'chamberC', label: 'chamber, if heated', ...celsius, min: 0, max: 120 },
      ],
    },
    {
      title: 'Fan',
      fields: [
        { key: 'fanShare', label: 'usually', ...percent, min: 0, max: 100 },
        { key: 'spanFanShare', label: 'over open air', ...percent, min: 0, max: 100 },
        {
          key: 'stillLayers',
          label: 'first layers without it',
          unit: '',
          shown: '',
          per: 1,
          whole: true,
          min: 0,
          max: 20,
        },
      ],
    },
    {
      title: 'Speeds at most',
      fields: [
        { key: 'firstLayerMmPerS', label: 'first layer', ...speed },
        { key: 'wallMmPerS', label: 'walls', ...speed },
        { key: 'infillMmPerS', label: 'inside', ...speed },
        { key: 'spanMmPerS', label: 'over open air', ...speed },
      ],
    },
    {
      title: 'Filament',
      fields: [
        { key: 'flow', label: 'flow', ...percent, min: 80, max: 120 },
        { key: 'gramsPerCm3', label: 'density', unit: '', shown: 'g/cm³', per: 1, min: 0.5, max: 10 },
        { key: 'retractMm', label: 'drawn back by', unit: 'mm', shown: 'mm', per: 1, min: 0, max: 20 },
        { key: 'retractMmPerS', label: 'drawn back at', ...speed, max: 200 },
      ],
    },
  ],
  ['title', 'label'],
);

/** What a teacher writes of a material: its figures as they are typed. */
export const materialDraft = z.object({
  name: z
    .string()
    .trim()
    .min(1, { error: () => say('Say what it is called, as on its rolls.') })
    .max(24, { error: () => say('A material has at most 24 letters.') }),
  pricePerKg: optionalNumberField(spoolPrice),
  drying: z
    .string()
    .trim()
    .max(200, { error: () => say('A note on drying has at most 200 letters.') }),
});

/** Reads a material from a form; returns it, or one sentence that names what is wrong with it. */
export function readMaterialDraft(
  form: Readonly<Record<string, unknown>>,
): { ok: true; draft: z.infer<typeof materialDraft> & { needs: Material } } | { ok: false; message: string } {
  const read = materialDraft.safeParse(form);
  if (!read.success) return { ok: false, message: read.error.issues[0].message };
  const figures: Partial<Record<keyof Material, number>> = {};
  const all = materialFields.flatMap(({ title, fields }) => fields.map((field) => ({ ...field, title })));
  for (const { key, title, label, per, shown: _, ...rules } of all) {
    const figure = numberField(rules, () =>
      say('Say a number from {min} to {max}.', { min: rules.min, max: rules.max }),
    ).safeParse(form[key]);
    if (!figure.success) {
      const [{ message: problem }] = figure.error.issues;
      return { ok: false, message: say('{title}, {label}: {problem}', { title, label, problem }) };
    }
    figures[key] = figure.data / per;
  }
  return { ok: true, draft: { ...read.data, needs: material.parse(figures) } };
}
