import { useEventListener } from "@vueuse/core";
import { defineStore } from "pinia";
import { reportFault } from "../../../ui/faults.js";
import { type TextDocument, textDocument } from "./text-document.js";

const KEPT = "lodrin-document-";

/** The documents that were opened in this tab, by their systems: whoever leaves one and comes back, or loads the page again, can still take back what was done. */
export const useDocuments = defineStore("documents", () => {
  const opened = new Map<string, TextDocument>();
  useEventListener(window, "pagehide", () => opened.forEach((document, id) => keep(id, document)));

  /** The document of a system, with the text as it is saved by now. */
  function open(id: string, text: string): TextDocument {
    const document = opened.get(id) ?? kept(id) ?? textDocument(text);
    opened.set(id, document);
    document.takeOver(text);
    return document;
  }
  return { open };
});

function keep(id: string, document: TextDocument): void {
  try {
    sessionStorage.setItem(KEPT + id, JSON.stringify(document.toJSON()));
  } catch (error) {
    // There is no room for its history: the text itself is saved elsewhere.
    if (!(error instanceof DOMException)) throw error;
    sessionStorage.removeItem(KEPT + id);
  }
}

function kept(id: string): TextDocument | undefined {
  const stored = sessionStorage.getItem(KEPT + id);
  if (stored === null) return undefined;
  try {
    return textDocument({ kept: JSON.parse(stored) });
  } catch (error) {
    sessionStorage.removeItem(KEPT + id);
    reportFault(error, "the history of a text");
    return undefined;
  }
}
