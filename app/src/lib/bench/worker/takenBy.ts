import { estimate, supportLines, type PrintSettings, type Toolpath } from '@kelbrin/core/slice';
import type { FromWorker } from './messages';

type Taken = Omit<Extract<FromWorker, { kind: 'estimate' }>, 'kind' | 'job'>;

/** What printing a toolpath takes, and what is to be known and seen of its supports. */
export function takenBy(toolpath: Toolpath, settings: PrintSettings): Taken {
  const { supports } = toolpath;
  return {
    estimate: estimate(toolpath, settings),
    ...(supports ? { supports, supportLines: supportLines(toolpath) } : {}),
  };
}
