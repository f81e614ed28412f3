import { isFormula } from '../amount.ts';
import type { Along, AlongHost } from '../placement.ts';

/** Numbers that are dragged come out rounded to this, mm. */
const ROUND_MM = 0.1;

/** What an along says once the thing has been moved by mm along its axis. */
export function movedAlong(rule: AlongHost, byMm: number, hostMm: number): AlongHost;
export function movedAlong(rule: Along, byMm: number, hostMm: number): Along;
export function movedAlong(rule: Along, byMm: number, hostMm: number): Along {
  switch (rule.relation) {
    case 'centred': {
      const mm = isFormula(rule.mm) ? rule.mm : rounded((rule.mm ?? 0) + byMm);
      return mm === 0 ? { relation: 'centred' } : { relation: 'centred', mm };
    }
    case 'inFrom':
      if (isFormula(rule.mm)) return rule;
      return { ...rule, mm: rounded(rule.mm + (rule.edge === 'low' ? byMm : -byMm)) };
    case 'beside':
      if (isFormula(rule.overlapMm)) return rule;
      return { ...rule, overlapMm: rounded(rule.overlapMm + (rule.edge === 'low' ? byMm : -byMm)) };
    case 'share':
      if (isFormula(rule.percent) || hostMm <= 0) return rule;
      return { ...rule, percent: Math.min(100, Math.max(0, rounded(rule.percent + (100 * byMm) / hostMm))) };
    case 'at':
      return isFormula(rule.mm) ? rule : { ...rule, mm: rounded(rule.mm + byMm) };
  }
}

/** A number that was dragged, mm. */
export function rounded(mm: number): number {
  return Math.round(Math.round(mm / ROUND_MM) * ROUND_MM * 1000) / 1000;
}
