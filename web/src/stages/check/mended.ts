import { applyPatch, type Operation } from "fast-json-patch";
import type { Finding, ThemeDocument } from "../../api/client";

/** The document with a finding mended. */
export function mended(document: ThemeDocument, { fix }: Finding): ThemeDocument {
  // A patch that no longer fits what somebody else changed meanwhile changes nothing.
  try {
    const patch = (fix?.patch ?? []) as Operation[];
    return applyPatch(structuredClone(document), patch, true).newDocument;
  } catch {
    return document;
  }
}
