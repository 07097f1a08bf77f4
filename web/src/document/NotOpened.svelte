<script lang="ts">
  import Button from "../ui/light/Button.svelte";
  import { Problem, said } from "../api/http";

  let { problem }: { problem: unknown } = $props();

  const mayHelp = $derived(!(problem instanceof Problem) || problem.repeatable || problem.passing);
</script>

<p class="trouble" role="alert">{said(problem)}</p>
{#if mayHelp}
  <Button class="mt-3" onclick={() => location.reload()}>Try again</Button>
{/if}
