import { request } from "./api/http";
import type { PasskeyAnswer, PasskeyAsked, PasskeyList, PasskeyMade, PasskeyWanted } from "./api/types";

/** Whether this browser can have passkeys here: over TLS or on this machine, and under a name. */
export function arePossible(): boolean {
  return (
    window.isSecureContext &&
    !/^[\d.]+$|^\[/.test(location.hostname) &&
    typeof PublicKeyCredential !== "undefined" &&
    "parseRequestOptionsFromJSON" in PublicKeyCredential
  );
}

export async function list(): Promise<PasskeyList> {
  return request<PasskeyList>("GET", "/api/session/passkeys");
}

export async function remove(id: number): Promise<PasskeyList> {
  return request<PasskeyList>("DELETE", `/api/session/passkeys/${id}`);
}

/** Has a device make a passkey for whoever is signed in. */
export async function make(label: string, password: string): Promise<PasskeyList> {
  const wanted: PasskeyWanted = { password };
  const asked = await request<PasskeyAsked>("POST", "/api/session/passkeys/asked", wanted);
  const publicKey = PublicKeyCredential.parseCreationOptionsFromJSON(JSON.parse(asked.options));
  const made: PasskeyMade = {
    label,
    credential: await answer(() => navigator.credentials.create({ publicKey })),
  };
  return request<PasskeyList>("POST", "/api/session/passkeys", made);
}

/** Signs in with a passkey of this browser, of a phone beside it, or of a key that is plugged in. */
export async function signIn(): Promise<void> {
  const asked = await request<PasskeyAsked>("POST", "/api/session/passkey/asked");
  const publicKey = PublicKeyCredential.parseRequestOptionsFromJSON(JSON.parse(asked.options));
  const signed: PasskeyAnswer = { credential: await answer(() => navigator.credentials.get({ publicKey })) };
  await request<void>("POST", "/api/session/passkey", signed);
}

/** What the device answers, as JSON; what it refuses is said in a sentence. */
async function answer(ask: () => Promise<Credential | null>): Promise<string> {
  let credential: Credential | null;
  try {
    credential = await ask();
  } catch (problem) {
    throw new Error(refusal(problem instanceof DOMException ? problem.name : ""), { cause: problem });
  }
  if (!(credential instanceof PublicKeyCredential)) throw new Error(refusal(""));
  return JSON.stringify(credential.toJSON());
}

/** Names of errors as Web Authentication gives them. */
export function refusal(name: string): string {
  switch (name) {
    case "NotAllowedError":
      return "No passkey was used: it was called off, or it took too long. Try again.";
    case "InvalidStateError":
      return "This device has a passkey of yours already.";
    case "NotSupportedError":
    case "ConstraintError":
      return "This device cannot make a passkey that asks who you are. Take another one.";
    case "SecurityError":
      return "Passkeys do not work under this address.";
    default:
      return "The device has not answered. Try again.";
  }
}
