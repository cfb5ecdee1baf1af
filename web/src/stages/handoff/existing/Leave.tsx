interface Props {
  isLeft: boolean;
  /** Null leaves it as it is; undefined lets the map decide again. */
  onChange: (to: null | undefined) => void;
}

/** Leaves something in the files as it is. */
export function Leave({ isLeft, onChange }: Props) {
  return (
    <button
      type="button"
      aria-pressed={isLeft}
      title={isLeft ? "Let the map decide again" : "Leave it as it is"}
      onClick={() => onChange(isLeft ? undefined : null)}
    >
      {isLeft ? "left" : "leave"}
    </button>
  );
}
