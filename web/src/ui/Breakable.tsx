import { Fragment } from "react";

/** A name of several words that breaks behind their signs and, where it can, not within a word. */
export function Breakable({ name }: { name: string }) {
  return [...name.matchAll(/[^._/-]*[._/-]+|[^._/-]+/g)].map((part) => (
    <Fragment key={part.index}>
      {part[0]}
      <wbr />
    </Fragment>
  ));
}
