import type { Mode, Token } from "./client";

type Cell = Token["light"];

/** What a token is in a mode; one that is the same in both tells it once. */
export function cellOf(token: Token, mode: Mode): Cell;
export function cellOf(token: Token | undefined, mode: Mode): Cell | undefined;
export function cellOf(token: Token | undefined, mode: Mode): Cell | undefined {
  return mode === "dark" ? (token?.dark ?? token?.light) : token?.light;
}
