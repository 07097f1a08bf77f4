<script lang="ts">
  import { setContext } from "svelte";
  import { ownHeaders } from "../api/http";
  import { FILES, keeperAt } from "../document/files";
  import { ADOPTED, PAY } from "../document/signing";
  import DocumentForm from "../fill/DocumentForm.svelte";
  import Identify from "./Identify.svelte";
  import Message from "./Message.svelte";
  import OtherWays from "./OtherWays.svelte";
  import Parties from "./Parties.svelte";
  import { Turn } from "./turn.svelte";
  import Welcome from "./Welcome.svelte";
  import NotOpened from "../document/NotOpened.svelte";

  const turn = new Turn(location.pathname.split("/")[2] ?? "");
  const opened = turn.open();
  setContext(FILES, keeperAt(`${turn.base}/files`, `${turn.base}/pictures`, ownHeaders));
  setContext(ADOPTED, turn.adopted);
  setContext(PAY, (at: string) => {
    turn.refused = "";
    turn.pay(at).catch((problem: Error) => (turn.refused = problem.message));
  });
  const ENDS = {
    finished: ["Thank you", "You have signed. When all have signed, you get the finished document by mail."],
    declined: ["Declined", "You will not be asked again; the sender has your reason."],
    "handed on": ["Handed on", "The person you named has a message now; your link has ended."],
  } as const;
</script>

<svelte:head><title>{turn.sheet?.title ?? "Loesscape"}</title></svelte:head>

{#await opened}
  <p class="soft p-10 text-center" role="status">Opening the document …</p>
{:then}
  {#if turn.ended}
    <Message title={ENDS[turn.ended][0]} text={ENDS[turn.ended][1]} />
  {:else if turn.identity}
    <Identify {turn} />
  {:else if !turn.about!.hasConsented}
    <Welcome {turn} />
  {:else}
    <DocumentForm filling={turn}>
      {#snippet intro()}<Parties about={turn.about!} />{/snippet}
      {#snippet aside()}<OtherWays {turn} />{/snippet}
    </DocumentForm>
  {/if}
{:catch problem}
  <Message title="Nothing to sign here" text=""><NotOpened {problem} /></Message>
{/await}
