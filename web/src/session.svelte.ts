import { request } from "./api/http";
import type { Session } from "./api/types";

/** Who is signed in. */
class CurrentSession {
  value = $state<Session | null>(null);

  async load(): Promise<void> {
    this.value = await request<Session>("GET", "/api/session");
  }

  async signIn(name: string, password: string): Promise<void> {
    this.value = await request<Session>("POST", "/api/session", { name, password });
  }

  async signInToDemo(): Promise<void> {
    this.value = await request<Session>("POST", "/api/session/demo");
  }

  async setUp(name: string, password: string): Promise<void> {
    this.value = await request<Session>("POST", "/api/setup", { name, password });
  }

  async signOut(): Promise<void> {
    await request<void>("DELETE", "/api/session");
    await this.load();
  }
}

export const session = new CurrentSession();
