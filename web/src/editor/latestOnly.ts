/**
 * Runs a slow request for the latest of many inputs: one at a time, always the newest next.
 * A slider then never waits behind its own past.
 */
export class LatestOnly<In, Out> {
  private next: { input: In } | undefined;
  private running = false;
  private overtaken = false;

  constructor(
    private readonly run: (input: In) => Promise<Out>,
    private readonly done: (input: In, output: Out) => void,
    private readonly failed: (input: In, error: unknown) => void,
  ) {}

  push(input: In) {
    this.next = { input };
    if (!this.running) void this.drain();
  }

  /** What is asked for and what waits is wanted no more: a newer input has its output already. */
  overtake() {
    this.next = undefined;
    this.overtaken = this.running;
  }

  private async drain() {
    this.running = true;
    while (this.next) {
      const { input } = this.next;
      this.next = undefined;
      this.overtaken = false;
      try {
        const output = await this.run(input);
        if (!this.overtaken) this.done(input, output);
      } catch (error) {
        if (!this.overtaken) this.failed(input, error);
      }
    }
    this.running = false;
  }
}
