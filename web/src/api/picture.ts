import { answer, api, type components } from "./client";

export type PictureView = components["schemas"]["PictureView"];

/** How colours are looked for. */
export interface LookFor {
  count?: number;
  lean?: string;
}

/** Reads a picture on the server, which keeps it small; the answer has its colours. */
export const addPicture = (file: Blob, signal?: AbortSignal) =>
  answer(
    api.POST("/api/pictures", {
      // The bytes go as they are.
      body: file as never,
      bodySerializer: (body: unknown) => body as Blob,
      headers: { "Content-Type": "application/octet-stream" },
      ...(signal && { signal }),
    }),
  );

/** The colours of a picture that is kept, looked for in another way. */
export const colorsOf = (id: string, query: LookFor) =>
  answer(api.GET("/api/pictures/{id}/colors", { params: { path: { id }, query } }));

/** The colour at a place, averaged over a radius. */
export const spotOf = (id: string, body: { x: number; y: number; radius: number }) =>
  answer(api.POST("/api/pictures/{id}/spot", { params: { path: { id } }, body }));

/** Whether a file is a picture by what the system says of it. */
export const isPicture = (file: File) =>
  file.type.startsWith("image/") || /\.(png|jpe?g|webp|gif|svg)$/i.test(file.name);

/** How many colours of a picture are ticked at first. */
const FIRST = 4;

/** Codes of the colours that a theme begins with unless somebody chooses: paper and ink are left. */
export function firstOf({ colors }: PictureView): string[] {
  const seen = colors.filter((color) => !color.grey);
  return (seen.length > 0 ? seen : colors.slice(0, 1)).slice(0, FIRST).map(({ hex }) => hex);
}

/** A name made from that of a file: "port-crest.svg" is "Port crest". */
export function nameOf(file: string): string {
  const words = file
    .replace(/\.[^.]+$/, "")
    .replace(/[-_.]+/g, " ")
    .trim();
  return words === "" ? "Picture" : words[0]?.toUpperCase() + words.slice(1);
}
