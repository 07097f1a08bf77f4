import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import * as passkeys from "./passkeys";

const made = { id: "abc", response: {} };

class FakeCredential {
  static parseCreationOptionsFromJSON = (options: unknown) => ({ creation: options });
  static parseRequestOptionsFromJSON = (options: unknown) => ({ request: options });
  toJSON() {
    return made;
  }
}

const asked: { path: string; body: unknown }[] = [];

function answering(...answers: unknown[]) {
  vi.stubGlobal("fetch", (path: string, how: { body?: string }) => {
    asked.push({ path, body: how.body === undefined ? undefined : JSON.parse(how.body) });
    return Promise.resolve(Response.json(answers.shift() ?? {}));
  });
}

function device(doing: () => Promise<unknown>) {
  const create = vi.fn(doing);
  vi.stubGlobal("navigator", { credentials: { create, get: create } });
  return create;
}

beforeEach(() => {
  asked.length = 0;
  vi.stubGlobal("PublicKeyCredential", FakeCredential);
  vi.stubGlobal("document", { cookie: "" });
});
afterEach(() => vi.unstubAllGlobals());

describe("passkeys", () => {
  it("are made as the server asks, and what the device has made is sent back", async () => {
    answering({ options: '{"challenge":"x"}' }, { passkeys: [] });
    const create = device(() => Promise.resolve(new FakeCredential()));
    expect(await passkeys.make("Phone", "long words")).toEqual({ passkeys: [] });
    expect(create).toHaveBeenCalledWith({ publicKey: { creation: { challenge: "x" } } });
    expect(asked).toEqual([
      { path: "/api/session/passkeys/asked", body: { password: "long words" } },
      { path: "/api/session/passkeys", body: { label: "Phone", credential: JSON.stringify(made) } },
    ]);
  });

  it("sign in with what the device has signed", async () => {
    answering({ options: '{"challenge":"y"}' });
    const get = device(() => Promise.resolve(new FakeCredential()));
    await passkeys.signIn();
    expect(get).toHaveBeenCalledWith({ publicKey: { request: { challenge: "y" } } });
    expect(asked[1]).toEqual({
      path: "/api/session/passkey",
      body: { credential: JSON.stringify(made) },
    });
  });

  it("say in a sentence what the device refuses, and send nothing then", async () => {
    answering({ options: "{}" });
    device(() => Promise.reject(new DOMException("", "InvalidStateError")));
    await expect(passkeys.make("Phone", "long words")).rejects.toThrow("already");
    expect(asked).toHaveLength(1);
    answering({ options: "{}" });
    device(() => Promise.resolve(null));
    await expect(passkeys.signIn()).rejects.toThrow("has not answered");
  });

  it.each([
    "NotAllowedError",
    "InvalidStateError",
    "NotSupportedError",
    "ConstraintError",
    "SecurityError",
    "?",
  ])("has words for %s", (name) => expect(passkeys.refusal(name)).toMatch(/\.$/));

  it.each([
    ["localhost", true, true],
    ["documents.example", true, true],
    ["documents.example", false, false],
    ["127.0.0.1", true, false],
    ["[::1]", true, false],
  ])("are possible under %s (secure: %s): %s", (hostname, isSecureContext, possible) => {
    vi.stubGlobal("location", { hostname });
    vi.stubGlobal("window", { isSecureContext });
    expect(passkeys.arePossible()).toBe(possible);
  });

  it("are not possible in a browser that does not know them", () => {
    vi.stubGlobal("location", { hostname: "localhost" });
    vi.stubGlobal("window", { isSecureContext: true });
    vi.stubGlobal("PublicKeyCredential", undefined);
    expect(passkeys.arePossible()).toBe(false);
  });
});
