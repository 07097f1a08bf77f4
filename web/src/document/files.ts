import type { HandedIn } from "./answers";

/** The name under which components find who keeps files. */
export const FILES = Symbol("files");

/** Keeps the files that are handed in. */
export interface FileKeeper {
  /** Sends a file; tells how much of it is there, from 0 to 1. */
  hand(file: File, progress: (part: number) => void): Promise<HandedIn>;
  url(id: string): string;
  /** Where a picture of the document is found. */
  picture(name: string): string;
  /** Keeps a picture of the document; tells its name. */
  bring(file: File): Promise<string>;
}

/** Keeps files under an address of the server. */
export function keeperAt(base: string, pictures: string, headers: () => Record<string, string>): FileKeeper {
  return {
    hand: (file, progress) =>
      new Promise((resolve, reject) => {
        const request = new XMLHttpRequest();
        request.open("POST", `${base}?name=${encodeURIComponent(file.name)}`);
        request.setRequestHeader("Content-Type", "application/octet-stream");
        for (const [name, value] of Object.entries(headers())) request.setRequestHeader(name, value);
        request.upload.onprogress = (event) => progress(event.loaded / Math.max(1, event.total));
        request.onerror = () => reject(new Error("The server could not be reached; try again."));
        request.onload = () => {
          const answer = JSON.parse(request.responseText || "{}") as { id?: string; detail?: string };
          if (request.status === 200 && answer.id)
            resolve({ id: answer.id, bytes: file.size, name: file.name });
          else reject(new Error(answer.detail ?? "The file was not taken."));
        };
        request.send(file);
      }),
    url: (id) => `${base}/${id}`,
    picture: (name) => `${pictures}/${encodeURIComponent(name)}`,
    bring: async (file) => {
      const answer = await fetch(`${pictures}?name=${encodeURIComponent(file.name)}`, {
        method: "POST",
        headers: { "Content-Type": "application/octet-stream", ...headers() },
        body: file,
      });
      const told = (await answer.json()) as { name?: string; detail?: string };
      if (!answer.ok || !told.name) throw new Error(told.detail ?? "The picture was not taken.");
      return told.name;
    },
  };
}
