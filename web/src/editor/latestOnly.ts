/**
 * Runs a slow request for the latest of many inputs: one at a time, always the newest next.
 * A slider then never waits behind its own past.
 */
export class LatestOnly<In, Out> {
  private next: { input: In } | undefined;
  private running = false;

  constructor(
    private readonly run: (input: In) => Promise<Out>,
    private readonly done: (input: In, output: Out) => void,
    private readonly failed: (input: In, error: unknown) => void,
  ) {}

  push(input: In) {
    this.next = { input };
    if (!this.running) void this.drain();
  }

  private async drain() {
    this.running = true;
    while (this.next) {
      const { input } = this.next;
      this.next = undefined;
      try {
        this.done(input, await this.run(input));
      } catch (error) {
        this.failed(input, error);
      }
    }
    this.running = false;
  }
}
