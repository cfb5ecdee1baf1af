import { replaceEqualDeep } from "@tanstack/react-query";
import { useRef } from "react";

/** A value that keeps its identity, and that of its parts, as long as it says the same. */
export function useSame<T>(value: T): T {
  const last = useRef(value);
  last.current = replaceEqualDeep(last.current, value) as T;
  return last.current;
}

/** A selector whose result keeps its identity as long as it says the same: who reads it is not drawn anew. */
export function useSameOf<In, Out>(select: (from: In) => Out): (from: In) => Out {
  const last = useRef<Out>(undefined);
  return (from) => {
    last.current = replaceEqualDeep(last.current, select(from)) as Out;
    return last.current;
  };
}
