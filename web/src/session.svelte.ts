import { request } from "./api/http";
import type { Session } from "./api/types";
import * as passkeys from "./passkeys";

/** Who is signed in. */
class CurrentSession {
  value = $state<Session | null>(null);

  async load(): Promise<void> {
    this.value = await request<Session>("GET", "/api/session");
  }

  async signIn(name: string, password: string): Promise<void> {
    this.value = await request<Session>("POST", "/api/session", { name, password });
  }

  async signInWithPasskey(): Promise<void> {
    await passkeys.signIn();
    await this.load();
  }

  async signInToDemo(): Promise<void> {
    this.value = await request<Session>("POST", "/api/session/demo");
  }

  /** Makes the first author, by the link that the console told. */
  async setUp(link: string, name: string, password: string): Promise<void> {
    this.value = await request<Session>("POST", "/api/setup", { link, name, password });
  }

  /** Sets a password by a link that an author has made. */
  async reset(link: string, password: string): Promise<void> {
    this.value = await request<Session>("PUT", "/api/session/reset", { link, password });
  }

  async changePassword(before: string, after: string): Promise<void> {
    this.value = await request<Session>("PUT", "/api/session/password", { before, after });
  }

  /** Signs out wherever else this account is signed in. */
  async endOthers(): Promise<void> {
    this.value = await request<Session>("DELETE", "/api/session/others");
  }

  async signOut(): Promise<void> {
    await request<void>("DELETE", "/api/session");
    await this.load();
  }
}

export const session = new CurrentSession();
