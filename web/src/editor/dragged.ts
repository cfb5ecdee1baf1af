import type { ThemeDocument } from "../api/client";

/** How many documents of one movement are remembered. */
const KEPT = 32;
/** How long something must rest once it is drawn before it is asked where it goes on, in ms: longer than a fast movement does. */
const REST = 8;

/**
 * What the documents of one movement come to: those it came by, and, where it rests for a moment, those
 * that come next if it moves on. What is known is painted in the frame of the move itself.
 */
export class Dragged<Found> {
  private base: ThemeDocument | undefined;
  /** What this movement came by; each has a memory of its own. */
  private known = new Map<string, Found>();
  /** Where it goes on, in the order of what is likely. */
  private ahead: ThemeDocument[] = [];
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
    this.foresee([]);
    this.base = undefined;
    this.known = new Map();
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

  /** Says where it goes on from here. What was asked for before it moved here is asked for no further. */
  foresee(documents: ThemeDocument[]) {
    clearTimeout(this.timer);
    this.ahead = documents;
  }

  /** What it came to is drawn: if it rests, what comes next is asked for. */
  drawn() {
    clearTimeout(this.timer);
    if (this.ahead.length > 0) this.timer = setTimeout(() => void this.ask(this.ahead), REST);
  }

  private async ask(documents: ThemeDocument[]) {
    const { known } = this;
    for (const document of documents) {
      // It moved on, or ended.
      if (this.ahead !== documents) return;
      if (this.find(document)) continue;
      try {
        const found = await this.run(document);
        if (this.known === known) this.keep(document, found);
      } catch {
        // Nobody waits for it: where it is needed it is asked for again, and told.
        return;
      }
    }
  }

  /** A document by the parts in which it is another than the one that is moved. */
  private key(document: ThemeDocument): string {
    const names = new Set([...Object.keys(document), ...Object.keys(this.base ?? {})]);
    const moved = ([...names] as (keyof ThemeDocument)[]).filter(
      (name) => document[name] !== this.base?.[name],
    );
    return JSON.stringify(moved.map((name) => [name, document[name]]));
  }
}
