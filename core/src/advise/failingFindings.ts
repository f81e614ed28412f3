import type { CheckResult, Finding, Inspection } from '../inspect/index.ts';

/** A finding that fails, with its check. Findings that say the same of the same steps count as one. */
export interface Failing {
  readonly check: CheckResult;
  readonly finding: Finding;
}

/** What fails in an inspection, once for each thing that is to be mended. */
export function failingFindings({ checks }: Inspection): Failing[] {
  const told = new Set<string>();
  return checks.flatMap((check) =>
    check.findings.flatMap((finding) => {
      const key = failingKey(check.id, finding);
      if (finding.verdict !== 'fail' || told.has(key)) return [];
      told.add(key);
      return [{ check, finding }];
    }),
  );
}

/** What is the same for findings that say the same of the same steps. */
export function failingKey(checkId: string, { unit, steps, requirement }: Finding): string {
  return JSON.stringify([checkId, unit, steps, requirement]);
}
