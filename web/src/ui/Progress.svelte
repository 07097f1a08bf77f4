<script lang="ts">
  let { done, of, label }: { done: number; of: number; label: string } = $props();
</script>

<!-- How far something is: a bar, and the same in figures. -->
<span class="progress">
  <progress max={of} value={done} aria-label={label}></progress>
  <span class="soft tabular-nums">{done} of {of}</span>
</span>

<style>
  .progress {
    display: flex;
    flex: 1;
    align-items: center;
    gap: 10px;
    min-width: 12rem;
  }

  .soft {
    min-width: 4.5rem;
    text-align: right;
  }

  progress {
    flex: 1;
    height: 8px;
    appearance: none;
    border: 1px solid var(--color-line);
    border-radius: 4px;
    overflow: hidden;
    background: var(--color-ground);
  }

  progress::-webkit-progress-bar {
    background: var(--color-ground);
  }

  progress::-webkit-progress-value {
    background: var(--color-river);
  }

  progress::-moz-progress-bar {
    background: var(--color-river);
  }
</style>
