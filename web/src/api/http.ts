import type { Follower } from "./follower";

/** Signed out, not allowed on this page, too slow, too often: refused before it was looked at what was asked. */
const BEFORE_ASKING = new Set([401, 403, 408, 429]);

/** A problem detail (RFC 9457) as the server sends it, or a failure to reach the server (status 0). */
export class Problem extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly followers: Follower[] = [],
    readonly problems: { path: string; message: string }[] = [],
    /** What kind of problem it is, where the server has a word for it. */
    readonly type = "about:blank",
  ) {
    super(message);
  }

  /** Whether the request may go through when it is made again. */
  get passing(): boolean {
    return this.status === 0 || this.status === 502 || this.status === 503 || this.status === 504;
  }

  /** Whether nothing was wrong with what was asked, so that the same may be asked again when somebody says so. */
  get repeatable(): boolean {
    return this.status >= 500 || BEFORE_ASKING.has(this.status);
  }
}

/** What went wrong, in words, of whatever was thrown. */
export function said(problem: unknown): string {
  return problem instanceof Error ? problem.message : String(problem);
}

/** An answer that takes longer is not waited for; the request is made again. Files may take their time. */
const LONGEST_WAIT = 20_000;
const LONGEST_WAIT_WITH_A_FILE = 300_000;

/**
 * Asks the server; the answer is JSON, or nothing. What is sent is JSON too, or the bytes of a file; what goes along with a
 * file and belongs in no address is told in headers.
 */
export async function request<T>(
  method: string,
  path: string,
  body?: unknown,
  along: Record<string, string> = {},
): Promise<T> {
  const response = await answer(method, path, body, along);
  if (response.status === 204) return undefined as T;
  try {
    return (await response.json()) as T;
  } catch {
    throw new Problem(500, "The answer of the server cannot be read; nothing was lost. Try again.");
  }
}

/** Asks the server for a file. */
export async function requestFile(method: string, path: string, body?: unknown): Promise<Blob> {
  return (await answer(method, path, body)).blob();
}

/** The answer of the server, which went well. Where only the token had run out, it is asked once more with the new one. */
async function answer(
  method: string,
  path: string,
  body: unknown,
  along: Record<string, string> = {},
): Promise<Response> {
  const token = cookie("XSRF-TOKEN");
  try {
    return await ask(method, path, body, along);
  } catch (problem) {
    const isOld = problem instanceof Problem && problem.status === 403 && cookie("XSRF-TOKEN") !== token;
    if (!isOld) throw problem;
    return ask(method, path, body, along);
  }
}

async function ask(
  method: string,
  path: string,
  body: unknown,
  along: Record<string, string>,
): Promise<Response> {
  const headers: Record<string, string> = { Accept: "application/json", ...along };
  const token = cookie("XSRF-TOKEN");
  if (token) headers["X-XSRF-TOKEN"] = token;
  let content: BodyInit | undefined;
  if (body instanceof Blob) {
    content = body;
    headers["Content-Type"] = "application/octet-stream";
  } else if (body !== undefined) {
    content = JSON.stringify(body);
    headers["Content-Type"] = "application/json";
  }
  let response: Response;
  try {
    response = await fetch(path, {
      method,
      headers,
      body: content,
      credentials: "same-origin",
      signal: AbortSignal.timeout(body instanceof Blob ? LONGEST_WAIT_WITH_A_FILE : LONGEST_WAIT),
    });
  } catch {
    throw new Problem(0, "The server cannot be reached.");
  }
  if (!response.ok) throw await problem(response);
  return response;
}

async function problem(response: Response): Promise<Problem> {
  try {
    const detail = await response.json();
    return new Problem(
      response.status,
      detail.detail || detail.title || answered(response),
      detail.followers,
      detail.problems,
      detail.type,
    );
  } catch {
    return new Problem(response.status, answered(response));
  }
}

function answered(response: Response): string {
  return `This was not done: the server answered ${response.status}. Nothing was lost; try again.`;
}

/** The header that tells the server a request comes from its own pages. */
export function ownHeaders(): Record<string, string> {
  const token = cookie("XSRF-TOKEN");
  return token ? { "X-XSRF-TOKEN": token } : {};
}

function cookie(name: string): string | undefined {
  return document.cookie
    .split("; ")
    .find((entry) => entry.startsWith(name + "=") || entry.startsWith(`__Host-${name}=`))
    ?.replace(/^[^=]*=/, "");
}
