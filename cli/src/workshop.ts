import { nodeWorkshop } from '@kelbrin/core/node';
import type { Workshop } from '@kelbrin/core/solid';

let loaded: Promise<Workshop> | undefined;

/** Kernel and fonts, loaded once by whatever needs them first. */
export function workshop(): Promise<Workshop> {
  return (loaded ??= nodeWorkshop());
}
