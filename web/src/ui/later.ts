import { type ComponentType, createElement, lazy, Suspense, useState } from "react";

/** A component in a package of its own, fetched when it is first drawn; nothing stands in its place until then. */
export function later<Props extends object>(load: () => Promise<ComponentType<Props>>): ComponentType<Props> {
  const Late: ComponentType<Props> = lazy(async () => ({ default: await load() }));
  return (props) => createElement(Suspense, { fallback: null }, createElement(Late, props));
}

/** Whether something was asked for by now: it stays then, so that it can go as it came. */
export function useAsked(asked: boolean): boolean {
  const [was, setWas] = useState(asked);
  if (asked && !was) setWas(true);
  return asked || was;
}
