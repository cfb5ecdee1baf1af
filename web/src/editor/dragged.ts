import type { ThemeDocument } from "../api/client";

/** How many documents of one movement are remembered. */
const KEPT = 32;
/** How long something must rest before it is asked where it goes on, in ms: longer than a fast movement ever does. */
const REST = 24;

/**
 * What the documents of one movement come to: those it came by, and, where it rests for a moment, those
 * that come next if it moves on. What is known is painted in the frame of the move itself.
 */
export class Dragged<Found> {
  private base: ThemeDocument | undefined;
  private readonly known = new Map<string, Found>();
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly run: (document: ThemeDocument) => Promise<Found>) {}

  /** Begins a movement; goes on with it where it moves the same document. */
  on(base: ThemeDocument) {
    if (this.base === base) return;
    this.end();
    this.base = base;
  }

  /** The movement is over, and so is what it came by. */
  end() {
    clearTimeout(this.timer);
    this.base = undefined;
    this.known.clear();
  }

  find(document: ThemeDocument): Found | undefined {
    return this.base && this.known.get(this.key(document));
  }

  keep(document: ThemeDocument, found: Found) {
    if (!this.base) return;
    const key = this.key(document);
    this.known.delete(key);
    this.known.set(key, found);
    const [oldest] = this.known.keys();
    if (this.known.size > KEPT && oldest !== undefined) this.known.delete(oldest);
  }

  /** Asks for documents one after the other once it rests; the next call takes the place of this one. */
  foresee(documents: ThemeDocument[]) {
    clearTimeout(this.timer);
    if (documents.length > 0) this.timer = setTimeout(() => void this.ask(documents), REST);
  }

  private async ask(documents: ThemeDocument[]) {
    const { timer } = this;
    for (const document of documents) {
      // It moved on, or ended.
      if (this.timer !== timer || !this.base) return;
      if (this.find(document)) continue;
      try {
        this.keep(document, await this.run(document));
      } catch {
        // Nobody waits for it: where it is needed it is asked for again, and told.
        return;
      }
    }
  }

  /** A document by the parts in which it is another than the one that is moved. */
  private key(document: ThemeDocument): string {
    const names = Object.keys(document) as (keyof ThemeDocument)[];
    const moved = names.filter((name) => document[name] !== this.base?.[name]);
    return JSON.stringify(moved.map((name) => [name, document[name]]));
  }
}
