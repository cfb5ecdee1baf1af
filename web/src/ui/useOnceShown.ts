import { useEffect, useRef } from "react";

/** Does something once, when what asks for it is first shown. */
export function useOnceShown(act: () => void) {
  const first = useRef(act);
  const done = useRef(false);
  useEffect(() => {
    if (done.current) return;
    done.current = true;
    first.current();
  }, []);
}
