<script lang="ts">
  import type { Picture } from "../../api/types";
  import { workingCopy } from "../context";
  import EditorLine from "./EditorLine.svelte";
  import Picker from "../../ui/Picker.svelte";
  import PictureUpload from "./PictureUpload.svelte";

  let { picture }: { picture: Picture } = $props();

  const copy = workingCopy();
  const fields = $derived([
    { id: "", label: "nothing: always this picture" },
    ...[...copy.nodes.values()].flatMap(({ node, name }) =>
      node.type === "field" && node.kind.type === "picture" ? [{ id: node.key, label: name }] : [],
    ),
  ]);
  const set = (part: { file?: string; follows?: string }) =>
    copy.editNode(picture.key, "picture", (now) => ({
      type: "setPicture",
      key: now.key,
      file: now.file,
      follows: now.follows,
      ...part,
    }));
</script>

<EditorLine title="Picture">
  <PictureUpload file={picture.file} of={picture.label || "the picture"} onchange={(file) => set({ file })} />
  {#if picture.follows}<span class="soft">stands in while none is handed in</span>{/if}
</EditorLine>
<EditorLine title="Follows">
  <Picker
    label="Follows"
    tone="token field"
    text={picture.follows ? (copy.nodes.get(picture.follows)?.name ?? picture.follows) : "nothing"}
    options={fields}
    chosen={[picture.follows]}
    onpick={(follows) => set({ follows })}
  />
</EditorLine>
