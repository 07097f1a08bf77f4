<script lang="ts">
  import Flowbite from "flowbite-svelte/Modal.svelte";
  import Button from "./Button.svelte";
  import { confirming } from "./confirming.svelte";

  const id = $props.id();
  const PLAIN = "rounded-xl border bg-paper text-ink m-auto max-w-md divide-y-0 w-[calc(100vw-32px)]";
</script>

<!-- The one dialog there is: before what cannot be taken back. It begins with keeping everything as it is. -->
{#if confirming.step}
  {@const { question, means, does } = confirming.step}
  <Flowbite
    open
    role="alertdialog"
    aria-labelledby={`${id}-question`}
    aria-describedby={`${id}-means`}
    dismissable={false}
    transitionParams={{ duration: 0 }}
    class={PLAIN}
    classes={{ body: "px-6 py-5" }}
    oncancel={() => confirming.end(false)}
    ontoggle={(event: ToggleEvent) => event.newState === "closed" && confirming.end(false)}
  >
    <h2 id={`${id}-question`} class="text-reading font-semibold">{question}</h2>
    <p id={`${id}-means`} class="soft mt-1">{means}</p>
    <div class="mt-4 flex justify-end gap-2">
      <Button data-autofocus onclick={() => confirming.end(false)}>Leave it as it is</Button>
      <Button look="grave" onclick={() => confirming.end(true)}>{does}</Button>
    </div>
  </Flowbite>
{/if}
