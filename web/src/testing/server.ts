import { vi } from "vitest";

/** A request as the server sees it. */
export type Asked = { method: string; path: string; body: unknown };

/** What the server answers: a body, a problem of a status, or nothing at all because it cannot be reached. */
export type Answer = { body: unknown } | { status: number; detail?: string; text?: string } | "unreachable";

/** Stands for the server: every request is answered by a function, and kept in the order it came. */
export function serverThat(answers: (asked: Asked) => Answer): Asked[] {
  const all: Asked[] = [];
  vi.stubGlobal("fetch", async (path: string, init: RequestInit) => {
    const asked = {
      method: init.method ?? "GET",
      path,
      body: typeof init.body === "string" ? JSON.parse(init.body) : undefined,
    };
    all.push(asked);
    const answer = answers(asked);
    if (answer === "unreachable") throw new TypeError("Failed to fetch");
    if ("body" in answer) return new Response(JSON.stringify(answer.body), { status: 200 });
    return new Response(answer.text ?? JSON.stringify({ detail: answer.detail ?? "" }), {
      status: answer.status,
    });
  });
  return all;
}

/** Lets everything go on that waits for nothing but its turn. */
export async function settled(): Promise<void> {
  for (let i = 0; i < 20; i++) await new Promise((resolve) => setTimeout(resolve));
}
