<script lang="ts">
  import Account from "./pages/Account.svelte";
  import Dispatches from "./pages/Dispatches.svelte";
  import DispatchView from "./pages/DispatchView.svelte";
  import Lookups from "./pages/Lookups.svelte";
  import Outside from "./pages/Outside.svelte";
  import Send from "./pages/Send.svelte";
  import Signers from "./pages/Signers.svelte";
  import Draft from "./pages/Draft.svelte";
  import RecordPage from "./pages/RecordPage.svelte";
  import Records from "./pages/Records.svelte";
  import People from "./pages/People.svelte";
  import Release from "./pages/Release.svelte";
  import SetPassword from "./pages/SetPassword.svelte";
  import SignIn from "./pages/SignIn.svelte";
  import Templates from "./pages/Templates.svelte";
  import { router } from "./router.svelte";
  import { session } from "./session.svelte";
  import NotOpened from "./document/NotOpened.svelte";

  const ready = session.load();
  const place = $derived(router.path.split("/").filter(Boolean));
  const template = $derived(place[0] === "templates" ? place[1] : undefined);
</script>

{#await ready then}
  {#if place[0] === "reset" && place[1]}
    <SetPassword link={place[1]} />
  {:else if !session.value?.author}
    <SignIn setupLink={place[0] === "setup" ? (place[1] ?? "") : ""} />
  {:else if place[0] === "account"}
    <Account />
  {:else if template && place[2] === "records" && place[3]}
    {#key place[3]}<RecordPage {template} number={Number(place[3])} />{/key}
  {:else if template && place[2] === "records"}
    <Records {template} />
  {:else if template && place[2] === "signers"}
    {#key template}<Signers {template} />{/key}
  {:else if template && place[2] === "send"}
    <Send {template} />
  {:else if place[0] === "dispatches" && place[1]}
    {#key place[1]}<DispatchView id={place[1]} />{/key}
  {:else if place[0] === "dispatches"}
    <Dispatches />
  {:else if place[0] === "lookups"}
    <Lookups />
  {:else if place[0] === "people"}
    <People />
  {:else if place[0] === "outside"}
    <Outside />
  {:else if template && place[2] === "release"}
    <Release {template} />
  {:else if template}
    {#key template}<Draft {template} />{/key}
  {:else}
    <Templates />
  {/if}
{:catch problem}
  <main class="mx-auto mt-24 max-w-md text-center">
    <h1 class="text-lg font-semibold">Loesscape cannot be opened</h1>
    <div class="mt-2"><NotOpened {problem} /></div>
  </main>
{/await}
