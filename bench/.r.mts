import fc from 'fast-check';
import { setDown } from '@kelbrin/core/mesh';
import { nodeWorkshop } from '@kelbrin/core/node';
import { evaluate } from '@kelbrin/core/solid';
import { starters } from '@kelbrin/core/starters';
import { anyRecipe } from '../core/test/anyRecipe.ts';
import { disagreements } from '../core/test/witness/disagreements.ts';
import { wildParts } from '../core/test/wildParts/index.ts';
const workshop = await nodeWorkshop();
const wanted = process.argv.slice(2).map(Number);
if (process.argv[2] === 'wild') { for (const p of wildParts.filter(p => /marched upright hole of Ø 5|marched lying hole of Ø 4|marched slanted|half a ball|sheet of waves|tilted by 0.2|hills on a slab, of 40|neck of Ø 4/.test(p.name))) console.log(p.name, disagreements(workshop.kernel, setDown(p.make())));
 console.log(disagreements(workshop.kernel, setDown((evaluate(starters.find(s => JSON.stringify(s).includes('Cane clip'))!.recipe, workshop) as any).mesh))); }
const all = fc.sample(anyRecipe, { numRuns: 500, seed: 1 });
for (const n of wanted.filter(n => !isNaN(n))) { const b: any = evaluate(all[n], workshop); console.log(n, disagreements(workshop.kernel, setDown(b.mesh))); }
