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
  private timer: ReturnType<typeof setTimeout> | undefined;
  private readonly asking: LatestOnly<Place, Answer>;

  constructor(
    ask: (place: Place) => Promise<Answer>,
    private readonly shown: (answer: Answer, place: Place) => void,
    private readonly over: (answer: Answer, place: Place) => void,
  ) {
    this.asking = new LatestOnly<Place, Answer>(
      ask,
      (place, answer) => {
        this.reached = { place, answer };
        this.shown(answer, place);
        this.settle();
      },
      // Where the last place has no answer, the one before it counts.
      () => {
        this.at = this.reached?.place;
        this.settle();
      },
    );
  }

  /** To another place, by pointer. */
  move(place: Place) {
    this.at = place;
    this.ending = false;
    this.asking.push(place);
  }

  /** To another place, by a key: a pause ends the movement. */
  step(place: Place) {
    this.move(place);
    clearTimeout(this.timer);
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
    this.at = undefined;
    this.reached = undefined;
    this.ending = false;
    if (reached) this.over(reached.answer, reached.place);
  }
}
