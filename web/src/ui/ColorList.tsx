import { useEffect, useRef, useState } from "react";
import { answer, api, type ColorItem } from "../api/client";
import classes from "./ColorList.module.css";
import { Swatch } from "./Swatch";

/** The text that was read last: who adds it asks for what is shown already. */
let latest: { text: string; items: Promise<ColorItem[]> } | undefined;

/** What a typed or pasted text reads as, entry by entry. */
export function readColors(text: string): Promise<ColorItem[]> {
  if (latest?.text === text) return latest.items;
  const items = answer(api.POST("/api/colors", { body: { text } }));
  latest = { text, items };
  // What failed is asked again.
  items.catch(() => {
    if (latest?.items === items) latest = undefined;
  });
  return items;
}

/** The entries of a text, kept up while it is typed. */
export function useColors(text: string): ColorItem[] {
  const [items, setItems] = useState<ColorItem[]>([]);
  const latest = useRef("");
  useEffect(() => {
    latest.current = text;
    if (text.trim() === "") {
      setItems([]);
      return;
    }
    readColors(text).then(
      (found) => latest.current === text && setItems(found),
      () => undefined,
    );
  }, [text]);
  return items;
}

/** The entries that were read, each a colour or a refusal in words. */
export function ColorList({ items }: { items: ColorItem[] }) {
  if (items.length === 0) return null;
  return (
    <ul className={classes.found} aria-label="What was read">
      {items.map((item, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: entries have no identity but their place
        <li key={`${i} ${item.input}`}>
          {item.hex ? (
            <>
              <Swatch colors={[item.hex]} /> {item.name} <code>{item.css}</code>{" "}
              {item.note && <small>{item.note}</small>}
            </>
          ) : (
            <span className={classes.refused}>
              <code>{item.input}</code>: {item.error}
            </span>
          )}
        </li>
      ))}
    </ul>
  );
}
