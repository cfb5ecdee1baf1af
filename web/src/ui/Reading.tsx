import classes from "./Reading.module.css";

interface Props {
  /** What is read, or how far it is. */
  words: string;
  onStop: () => void;
}

/** Something that takes a while, with the way to stop it. What is over at once is not announced. */
export function Reading({ words, onStop }: Props) {
  return (
    <span role="status" className={classes.reading}>
      reading {words} …{" "}
      <button type="button" onClick={onStop}>
        stop
      </button>
    </span>
  );
}
