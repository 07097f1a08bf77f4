<script lang="ts">
  import { Problem } from "../api/http";

  let { problem }: { problem: unknown } = $props();

  const mayHelp = $derived(!(problem instanceof Problem) || problem.repeatable || problem.passing);
</script>

<p class="trouble" role="alert">{problem instanceof Error ? problem.message : String(problem)}</p>
{#if mayHelp}
  <button type="button" class="button plain mt-3" onclick={() => location.reload()}>Try again</button>
{/if}
