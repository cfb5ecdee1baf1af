import { familyOf, type Used } from "../../../api/inventory";
import { useList } from "../../../ui/useList";
import classes from "./FilesSource.module.css";

interface Props {
  colors: Used[];
  open: string | undefined;
  onOpen: (hex: string) => void;
}

/** Families in the order of their most used colour, each with its members side by side. */
function families(colors: Used[]): Used[][] {
  const placed = new Set<string>();
  return colors.flatMap((used) => {
    if (placed.has(used.hex)) return [];
    const family = familyOf(used, colors);
    for (const one of family) placed.add(one.hex);
    return [family];
  });
}

/** How wide a colour stands, by how often it is used: four times the use is twice the width. */
const width = (count: number, most: number) => Math.round(22 + 98 * Math.sqrt(count / most));

/** Every colour in use, sized by its use. */
export function Wall({ colors, open, onOpen }: Props) {
  const most = Math.max(1, ...colors.map((used) => used.count));
  const list = useList<HTMLUListElement>({ each: "li", across: true });
  return (
    <ul className={classes.wall} aria-label="Colours in use" {...list}>
      {families(colors).map((family) => (
        <li key={family[0]?.hex} data-family={family.length > 1 || undefined}>
          {family.map((used) => {
            const wide = width(used.count, most);
            return (
              <button
                key={used.hex}
                type="button"
                style={{ width: wide, background: used.hex }}
                aria-pressed={open === used.hex}
                aria-label={`${used.name} ${used.hex}, ${used.count} times`}
                title={`${used.hex} · ${used.count} × · ${used.names.slice(0, 4).join(", ")}`}
                onClick={() => onOpen(used.hex)}
              />
            );
          })}
          {width(family[0]?.count ?? 0, most) > 64 && (
            <small>
              {family[0]?.names.length ? family[0].name : family[0]?.hex} · {family[0]?.count}
            </small>
          )}
        </li>
      ))}
    </ul>
  );
}
