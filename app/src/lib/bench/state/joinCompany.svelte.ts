import { onDestroy } from 'svelte';
import { company } from '$lib/shared/company';
import { newsOf } from '$lib/live/newsOf';
import { asJson, sendJson } from '$lib/ui/send';
import type { BenchState } from './bench.svelte';
import { CompanyAtBench } from './company.svelte';

/** Joins those who are at a project, for as long as the calling component is shown. Only who is in a team says where it works. */
export function joinCompany(projectId: string, isTeam: boolean, bench: BenchState): CompanyAtBench {
  const url = `/bench/${projectId}/company`;
  const joined = new CompanyAtBench({
    look: async () => company.parse(await (await fetch(url)).json()),
    tell: (where) => sendJson('PUT', url, where),
    // Also when the page is just going.
    leave: () => fetch(url, { ...asJson('DELETE'), keepalive: true }),
  });
  $effect(() => newsOf([`seats:${projectId}`], () => void joined.look()));
  $effect(() => {
    if (isTeam) joined.sit({ partId: bench.partId, stepId: bench.marked });
  });
  $effect(() => {
    const leave = () => joined.close();
    addEventListener('pagehide', leave);
    return () => removeEventListener('pagehide', leave);
  });
  onDestroy(() => joined.close());
  return joined;
}
