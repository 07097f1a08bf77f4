<script lang="ts">
  import Alert from "../../ui/Alert.svelte";
  import Button from "../../ui/Button.svelte";
  import Input from "../../ui/Input.svelte";
  import type { Snippet } from "svelte";
  import type { Band, Bound, Look } from "../../api/types";
  import { band, PLAIN } from "../../document/looks";
  import BandScale from "./BandScale.svelte";
  import { numeral, plain } from "../conditions/clauses";
  import EditorLine from "./EditorLine.svelte";
  import LookPicker from "./LookPicker.svelte";

  let {
    title,
    bands,
    now,
    canBeEmpty,
    ofDays = false,
    more,
    onchange,
  }: {
    title: string;
    bands: Band[];
    /** The band the number lies in now. */
    now: string | null;
    canBeEmpty: boolean;
    /** Whether the edges are days. */
    ofDays?: boolean;
    /** What can be done besides with bands that are there. */
    more?: Snippet;
    /** Changes the bands as they stand by then. */
    onchange: (change: (bands: Band[]) => Band[]) => void;
  } = $props();

  const FIRST_EDGE = 10;
  let wrong = $state("");

  const upTo = (at: string, included: boolean): Bound => ({ at, included, day: null });
  /** Edges of days are told by the day; what it is as a number, the server works out. */
  const upToDay = (day: string, included: boolean): Bound => ({ at: "0", included, day });
  const lastDay = (year: number) => upToDay(`${year}-12-31`, true);
  const thisYear = () => new Date().getFullYear();

  const changed = (at: number, part: Partial<Band>) =>
    onchange((now) => (now[at] ? now.with(at, { ...now[at], ...part }) : now));
  const looks = (at: number, part: Partial<Look>) =>
    onchange((now) => (now[at] ? now.with(at, { ...now[at], look: { ...now[at].look, ...part } }) : now));
  const begin = () =>
    onchange(() => [
      band("low", PLAIN, ofDays ? lastDay(thisYear()) : upTo(String(FIRST_EDGE), true)),
      band("high", { ...PLAIN, shade: "ochre", bold: true, mark: "warning" }, null),
    ]);

  function fresh(bands: Band[]): string {
    let number = bands.length + 1;
    while (bands.some(({ id }) => id === `band_${number}`)) number++;
    return `band_${number}`;
  }

  /** The last band is divided: what was without an end ends a step above the edge before it. */
  const divide = () =>
    onchange((now) => {
      if (ofDays) {
        const day = now.at(-2)?.upTo?.day;
        return [
          ...now.slice(0, -1),
          { ...now.at(-1)!, upTo: lastDay(day ? Number(day.slice(0, 4)) + 1 : thisYear()) },
          band(fresh(now), PLAIN, null),
        ];
      }
      const edge = Number(now.at(-2)?.upTo?.at ?? 0);
      const step = now.length > 2 ? edge - Number(now.at(-3)?.upTo?.at ?? 0) : Math.abs(edge) || FIRST_EDGE;
      const included = now.at(-2)?.upTo?.included ?? false;
      return [
        ...now.slice(0, -1),
        { ...now.at(-1)!, upTo: upTo(plain(Number((edge + step).toPrecision(12))), included) },
        band(fresh(now), PLAIN, null),
      ];
    });

  const remove = (at: number) =>
    onchange((now) => {
      const rest = now.toSpliced(at, 1);
      const last = rest.at(-1);
      return last ? rest.with(-1, { ...last, upTo: null }) : rest;
    });

  function edge(at: number, typed: string) {
    if (ofDays) {
      wrong = typed ? "" : "A band ends on a day.";
      if (typed)
        onchange((now) =>
          now[at]?.upTo ? now.with(at, { ...now[at], upTo: upToDay(typed, now[at].upTo.included) }) : now,
        );
      return;
    }
    const number = numeral(typed);
    wrong = number === null ? `“${typed}” is not a number; write digits, like 120 or 12.5.` : "";
    if (number !== null) place(at, number);
  }

  const place = (at: number, number: string) =>
    onchange((now) =>
      now[at]?.upTo ? now.with(at, { ...now[at], upTo: { ...now[at].upTo, at: number } }) : now,
    );

  const joins = (at: number) =>
    onchange((now) => {
      const upTo = now[at]?.upTo;
      return upTo ? now.with(at, { ...now[at]!, upTo: { ...upTo, included: !upTo.included } }) : now;
    });

  const name = (at: number) => bands[at]?.label || `band ${at + 1}`;
</script>

<EditorLine {title} wide={bands.length > 0}>
  {#if bands.length}
    {#if !ofDays}<BandScale {bands} {now} {name} onchange={(at, number) => place(at, plain(number))} />{/if}
    <ol class="grid gap-1">
      {#each bands as band, i (band.id)}
        <li class="min-w-0">
          <div class="flex items-center gap-1">
            <Input
              look="token value"
              class="min-w-0 grow"
              aria-label={`Words of band ${i + 1}`}
              placeholder="Says nothing"
              maxlength={200}
              shows={band.label}
              onchange={(event) => changed(i, { label: event.currentTarget.value.trim() })}
            />
            <LookPicker look={band.look} of={name(i)} onchange={(part) => looks(i, part)} />
            {#if bands.length > 1 || canBeEmpty}
              <Button
                look="token faint"
                aria-label={`Take ${name(i)} away`}
                title="Take this band away"
                onclick={() => remove(i)}>×</Button
              >
            {/if}
          </div>
          {#if band.upTo}
            <div class="flex min-w-0 items-center gap-1 pl-3">
              <span class="soft whitespace-nowrap">up to</span>
              <Input
                look="token value"
                type={ofDays ? "date" : "text"}
                inputmode={ofDays ? undefined : "decimal"}
                size={6}
                aria-label={`Edge between ${name(i)} and ${name(i + 1)}`}
                shows={band.upTo.day ?? band.upTo.at}
                onchange={(event) => edge(i, event.currentTarget.value)}
              />
              <Button
                look="token"
                class="min-w-0"
                title="Which side the exact value belongs to"
                onclick={() => joins(i)}
              >
                <span class="truncate"
                  >{band.upTo.day ?? String(band.upTo.at)} joins {band.upTo.included
                    ? name(i)
                    : name(i + 1)}</span
                >
              </Button>
            </div>
          {/if}
        </li>
      {/each}
    </ol>
    {#if wrong}<Alert class="text-xs">{wrong}</Alert>{/if}
    <Button look="token add" class="mt-1" onclick={divide}>another band</Button>
    {@render more?.()}
  {:else}
    <Button look="token add" onclick={begin}>look by bands</Button>
  {/if}
</EditorLine>
