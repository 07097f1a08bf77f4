import { request } from "./api/http";
import type { SessionView } from "./api/types";
import * as passkeys from "./passkeys";

/** Who is signed in. */
class CurrentSession {
  value = $state<SessionView | null>(null);

  async load(): Promise<void> {
    this.value = await request<SessionView>("GET", "/api/session");
  }

  async signIn(name: string, password: string): Promise<void> {
    this.value = await request<SessionView>("POST", "/api/session", { name, password });
  }

  async signInWithPasskey(): Promise<void> {
    await passkeys.signIn();
    await this.load();
  }

  async signInToDemo(): Promise<void> {
    this.value = await request<SessionView>("POST", "/api/session/demo");
  }

  /** Makes the first author, by the link that the console told. */
  async setUp(link: string, name: string, password: string): Promise<void> {
    this.value = await request<SessionView>("POST", "/api/setup", { link, name, password });
  }

  /** Sets a password by a link that an author has made. */
  async reset(link: string, password: string): Promise<void> {
    this.value = await request<SessionView>("PUT", "/api/session/reset", { link, password });
  }

  async changePassword(before: string, after: string): Promise<void> {
    this.value = await request<SessionView>("PUT", "/api/session/password", { before, after });
  }

  /** Signs out wherever else this account is signed in. */
  async endOthers(): Promise<void> {
    this.value = await request<SessionView>("DELETE", "/api/session/others");
  }

  async signOut(): Promise<void> {
    await request<void>("DELETE", "/api/session");
    await this.load();
  }
}

export const session = new CurrentSession();
