import { LatestOnly } from "./latestOnly";

/** A pause after the last key that ends a movement, in ms. */
const PAUSE = 600;

/**
 * A movement by pointer or keys, each place of which is answered by the server: every answer is
 * shown, and the movement is over once the answer to its last place is there.
 */
export class Moves<Place, Answer> {
  /** The last place that was asked for while a movement goes on. */
  at: Place | undefined;
  private reached: { place: Place; answer: Answer } | undefined;
  private ending = false;
  /** Counts movements: an answer to an earlier one comes too late. */
  private count = 0;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private readonly asking: LatestOnly<{ place: Place; of: number }, Answer>;

  constructor(
    ask: (place: Place) => Promise<Answer>,
    private readonly shown: (answer: Answer, place: Place) => void,
    private readonly over: (answer: Answer, place: Place) => void,
  ) {
    this.asking = new LatestOnly<{ place: Place; of: number }, Answer>(
      ({ place }) => ask(place),
      ({ place, of }, answer) => {
        if (of !== this.count) return;
        this.reached = { place, answer };
        this.shown(answer, place);
        this.settle();
      },
      // Where the last place has no answer, the one before it counts.
      ({ of }) => {
        if (of !== this.count) return;
        this.at = this.reached?.place;
        this.settle();
      },
    );
  }

  /** Something else is taken hold of: what moved before is over where it was last seen. */
  begin() {
    clearTimeout(this.timer);
    const { reached } = this;
    this.count += 1;
    this.rest();
    if (reached) this.over(reached.answer, reached.place);
  }

  /** To another place, by pointer. */
  move(place: Place) {
    clearTimeout(this.timer);
    this.at = place;
    this.ending = false;
    this.asking.push({ place, of: this.count });
  }

  /** To another place, by a key: a pause ends the movement. */
  step(place: Place) {
    this.move(place);
    this.timer = setTimeout(() => this.end(), PAUSE);
  }

  /** Lets go. */
  end() {
    clearTimeout(this.timer);
    this.ending = true;
    this.settle();
  }

  private settle() {
    const { reached } = this;
    if (!this.ending || reached?.place !== this.at) return;
    this.rest();
    if (reached) this.over(reached.answer, reached.place);
  }

  private rest() {
    this.at = undefined;
    this.reached = undefined;
    this.ending = false;
  }
}
