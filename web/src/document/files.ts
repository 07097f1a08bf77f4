import { request } from "../api/http";
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
        const sending = new XMLHttpRequest();
        sending.open("POST", `${base}?name=${encodeURIComponent(file.name)}`);
        sending.setRequestHeader("Content-Type", "application/octet-stream");
        for (const [name, value] of Object.entries(headers())) sending.setRequestHeader(name, value);
        sending.upload.onprogress = (event) => progress(event.loaded / Math.max(1, event.total));
        sending.onerror = () => reject(new Error("The server could not be reached; try again."));
        sending.onload = () => {
          const answer = JSON.parse(sending.responseText || "{}") as { id?: string; detail?: string };
          if (sending.status === 200 && answer.id)
            resolve({ id: answer.id, bytes: file.size, name: file.name });
          else reject(new Error(answer.detail ?? "The file was not taken."));
        };
        sending.send(file);
      }),
    url: (id) => `${base}/${id}`,
    picture: (name) => `${pictures}/${encodeURIComponent(name)}`,
    bring: async (file) => {
      const path = `${pictures}?name=${encodeURIComponent(file.name)}`;
      return (await request<{ name: string }>("POST", path, file)).name;
    },
  };
}
