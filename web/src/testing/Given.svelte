<script lang="ts">
  import Input from "../ui/Input.svelte";

  let { choice }: { choice: { label: string } } = $props();
</script>

<!-- An input that shows a part of something that is made anew with every answer of the server. -->
<Input shows={choice.label} aria-label="It" />
