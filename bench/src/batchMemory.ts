import { nodeWorkshop } from '@kelbrin/core/node';
import { batchOfLabels } from './batches.ts';

/* Slices a batch of twelve labels once and prints how many MB this process held before, and at most. */

const MB = 1024;
const mostHeld = () => Math.round(process.resourceUsage().maxRSS / MB);

const { run } = batchOfLabels(await nodeWorkshop());
const idle = mostHeld();
run();
console.log(JSON.stringify({ idle, most: mostHeld() }));
