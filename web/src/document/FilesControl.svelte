<script lang="ts">
  import { said } from "../api/http";
  import Button from "../ui/light/Button.svelte";
  import { getContext } from "svelte";
  import type { Field, NodeStateFieldState } from "../api/types";
  import { type HandedIn, readFiles, size, writeFiles } from "./answers";
  import { FILES, type FileKeeper } from "./files";

  let {
    field,
    state: stand,
    typed,
    id,
    describedBy,
    ontyped,
    onleave,
  }: {
    field: Field;
    state: NodeStateFieldState;
    typed: string;
    id: string;
    describedBy?: string;
    ontyped: (text: string) => void;
    onleave?: () => void;
  } = $props();

  const keeper = getContext<FileKeeper>(FILES);
  const kind = $derived(field.kind as Extract<Field["kind"], { type: "attachment" | "picture" }>);
  const isPicture = $derived(kind.type === "picture");
  const endings = $derived(kind.type === "picture" ? ["png", "jpg", "jpeg"] : kind.endings);
  const most = $derived(kind.type === "picture" ? 1 : kind.most);
  const files = $derived(readFiles(typed));
  let progress = $state<number | null>(null);
  let trouble = $state("");

  async function take(chosen: FileList | null) {
    trouble = "";
    let all: HandedIn[] = isPicture ? [] : files;
    for (const file of chosen ?? []) {
      const ending = file.name.split(".").pop()?.toLowerCase() ?? "";
      if (endings.length && !endings.includes(ending))
        trouble = `“${file.name}” cannot be taken; hand in ${endings.join(", ")}.`;
      else if (file.size > kind.largest * 1_000_000)
        trouble = `“${file.name}” is too large; at most ${kind.largest} MB are taken.`;
      else if (all.length >= most)
        trouble = `At most ${most} ${most === 1 ? "file fits" : "files fit"} here.`;
      else {
        try {
          progress = 0;
          const kept = await keeper.hand(file, (part) => (progress = part));
          all = [...all, kept];
          ontyped(writeFiles(all));
        } catch (problem) {
          trouble = said(problem);
        }
      }
    }
    progress = null;
    onleave?.();
  }
</script>

<div {id} tabindex="-1" role="group" aria-labelledby={`${id}-label`} aria-describedby={describedBy}>
  {#if files.length}
    <ul class="mb-1.5 grid gap-1">
      {#each files as file (file.id)}
        <li class="flex flex-wrap items-center gap-2">
          {#if isPicture}<img
              src={keeper.url(file.id)}
              alt={file.name}
              class="max-h-40 rounded border"
            />{/if}
          <a class="min-w-0 break-all underline" href={keeper.url(file.id)} target="_blank" rel="noopener"
            >{file.name}</a
          >
          <span class="soft">{size(file.bytes)}</span>
          {#if stand.editable}
            <Button
              look="underlined"
              class="soft"
              onclick={() => ontyped(writeFiles(files.filter((it) => it.id !== file.id)))}
              >Take back<span class="sr-only"> {file.name}</span></Button
            >
          {/if}
        </li>
      {/each}
    </ul>
  {/if}
  {#if stand.editable && (files.length < most || isPicture)}
    <label class="button plain inline-flex cursor-pointer items-center has-focus-visible:outline-2">
      {isPicture
        ? files.length
          ? "Choose another picture"
          : "Choose a picture"
        : files.length
          ? "Add a file"
          : "Choose a file"}
      <input
        type="file"
        class="sr-only"
        multiple={most > 1}
        accept={endings.map((it) => `.${it}`).join(",") || undefined}
        onchange={(event) => {
          void take(event.currentTarget.files);
          event.currentTarget.value = "";
        }}
      />
    </label>
    <span class="soft text-note"
      >{endings.length ? `${endings.join(", ")}, ` : ""}up to {kind.largest} MB{most > 1
        ? ` each, at most ${most}`
        : ""}</span
    >
  {/if}
  {#if progress !== null}<progress class="mt-1 block w-full" max="1" value={progress}>sending</progress>{/if}
  {#if trouble}<p class="trouble mt-1" role="alert">{trouble}</p>{/if}
</div>
