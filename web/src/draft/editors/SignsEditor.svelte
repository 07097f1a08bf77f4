<script lang="ts">
  import Input from "../../ui/Input.svelte";
  import type { ChoiceSign, Field, Indicator, Presence, Sign } from "../../api/types";
  import { PLAIN } from "../../document/looks";
  import { namable } from "../conditions/choices";
  import { workingCopy } from "../context";
  import EditorLine from "./EditorLine.svelte";
  import LookPicker from "./LookPicker.svelte";
  import PictureUpload from "./PictureUpload.svelte";

  let { indicator }: { indicator: Indicator } = $props();

  const copy = workingCopy();
  const key = $derived(indicator.key);
  const field = $derived(copy.nodes.get(indicator.follows)?.node as ({ type: "field" } & Field) | undefined);
  const choices = $derived(field ? namable(field, copy.nodes.get(field.key)?.state) : []);
  const EMPTY: Sign = { label: "", look: PLAIN, picture: "" };

  const put = (change: (now: Indicator) => { choices: ChoiceSign[]; presence: Presence | null }) =>
    copy.editNode(key, "indicator", (now) => ({ type: "setSigns", key, ...change(now) }));

  function ofChoice(choice: string, part: Partial<Sign>) {
    void put(({ choices: now }) => {
      const known = now.find((it) => it.choice === choice);
      const sign = { ...(known?.sign ?? EMPTY), ...part };
      return {
        presence: null,
        choices: known
          ? now.map((it) => (it.choice === choice ? { choice, sign } : it))
          : [...now, { choice, sign }],
      };
    });
  }

  const ofPresence = (which: keyof Presence, part: Partial<Sign>) =>
    put((now) => {
      const presence = now.presence ?? { answered: EMPTY, blank: EMPTY };
      return { choices: [], presence: { ...presence, [which]: { ...presence[which], ...part } } };
    });
</script>

{#snippet sign(name: string, it: Sign, change: (part: Partial<Sign>) => void)}
  <div class="mb-1.5">
    <div class="flex flex-wrap items-center gap-1">
      <span class="soft w-full">{name}</span>
      <Input
        look="token value"
        class="min-w-0 grow"
        aria-label={`Words for ${name}`}
        placeholder="Says nothing"
        maxlength={200}
        shows={it.label}
        onchange={(event) => change({ label: event.currentTarget.value.trim() })}
      />
      <LookPicker look={it.look} of={name} onchange={(part) => change({ look: { ...it.look, ...part } })} />
      <PictureUpload file={it.picture} of={name} onchange={(picture) => change({ picture })} />
    </div>
  </div>
{/snippet}

<EditorLine title={indicator.presence ? "Shows" : "Shows for each choice"} wide>
  {#if indicator.presence}
    {@render sign("an answer", indicator.presence.answered, (part) => ofPresence("answered", part))}
    {@render sign("no answer", indicator.presence.blank, (part) => ofPresence("blank", part))}
  {:else}
    {#each choices as { id, label } (id)}
      {@render sign(label, indicator.choices.find(({ choice }) => choice === id)?.sign ?? EMPTY, (part) =>
        ofChoice(id, part),
      )}
    {/each}
  {/if}
</EditorLine>
