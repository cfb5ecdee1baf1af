import { useCallback, useEffect, useRef, useState } from "react";
import { answer, api, type ColorView, problemOf } from "../../api/client";

/** After how long a pause of changes from elsewhere the server is asked, in ms. */
const QUIET = 120;

export interface TypedColor {
  text: string;
  /** What was expected, where the text is no colour. */
  refusal: string | undefined;
  /** The colour in every notation, once the text is one. */
  seen: ColorView | undefined;
  type: (text: string) => void;
}

/** A field for a colour: what was typed stays, the server says what it is. */
export function useTypedColor(initial: string, onColor: (seen: ColorView) => void): TypedColor {
  const [text, setText] = useState(initial);
  const [refusal, setRefusal] = useState<string>();
  const [seen, setSeen] = useState<ColorView>();
  const latest = useRef(initial);
  /** The text that was last told as a colour. */
  const settled = useRef(initial);
  const began = useRef(false);
  const told = useRef(onColor);
  told.current = onColor;

  const read = useCallback(async (value: string, tell: boolean) => {
    try {
      const found = await answer(api.POST("/api/color", { body: { text: value } }));
      // An answer for an older text comes too late.
      if (latest.current !== value) return;
      setSeen(found);
      setRefusal(undefined);
      settled.current = value;
      if (tell) told.current(found);
    } catch (error) {
      if (latest.current === value) setRefusal(problemOf(error).detail);
    }
  }, []);

  useEffect(() => {
    // A save that comes back while more is typed does not take the typing away.
    if (latest.current !== settled.current) return;
    latest.current = initial;
    settled.current = initial;
    setText(initial);
    setRefusal(undefined);
    // While it is dragged elsewhere, what it is in every notation can wait.
    const timer = setTimeout(() => initial && void read(initial, false), began.current ? QUIET : 0);
    began.current = true;
    return () => clearTimeout(timer);
  }, [initial, read]);

  const type = useCallback(
    (value: string) => {
      latest.current = value;
      setText(value);
      void read(value, true);
    },
    [read],
  );

  return { text, refusal, seen, type };
}
