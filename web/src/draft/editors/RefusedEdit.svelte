<script lang="ts">
  import Alert from "../../ui/Alert.svelte";
  import Button from "../../ui/Button.svelte";
  import { workingCopy } from "../context";

  const copy = workingCopy();
  const refused = $derived(copy.refused);
  $effect(() => copy.tells());
</script>

{#if refused}
  <Alert look="framed" class="mb-2">
    <p class="trouble">{refused.message}</p>
    {#if refused.followers.length}
      <ul class="mt-1">
        {#each refused.followers as follower (follower.key)}
          <li>
            <Button look="link" onclick={() => copy.select(follower.key, true)}>{follower.name}</Button>
            <span>{follower.what}</span>
          </li>
        {/each}
      </ul>
    {/if}
    <div class="mt-1.5 flex gap-1">
      {#if refused.anyway && refused.followers.length}
        <Button look="token" onclick={() => copy.edit(refused.anyway!)}>
          {refused.anyway.type === "delete"
            ? "Delete and drop these conditions"
            : "Take away and drop from these conditions"}
        </Button>
      {/if}
      {#if refused.failed}
        <Button look="token" onclick={() => copy.tryAgain()}>Try again</Button>
      {/if}
      <Button look="token" onclick={() => copy.dismiss()}
        >{refused.followers.length ? "Keep it" : "Close"}</Button
      >
    </div>
  </Alert>
{/if}
