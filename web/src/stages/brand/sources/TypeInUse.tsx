import { replaceEqualDeep } from "@tanstack/react-query";
import type { ThemeDocument } from "../../../api/client";
import type { Inventory } from "../../../api/inventory";
import { useEditor, useEditorState } from "../../../editor/EditorProvider";
import type { Edit } from "../../../editor/edits";
import { documentOf } from "../../../editor/selectors";
import { asSheets, sheetList } from "../../../faces/faces";
import { Told } from "../../../ui/Told";
import classes from "./FilesSource.module.css";

type InUse = Inventory["type"];
type One = InUse["told"][number];

/** What each setting is called where it was found. */
const NAMES: Record<string, string> = {
  body: "text",
  heading: "headings",
  mono: "code",
  import: "web font",
  base: "size of text",
  regular: "weight of text",
  bold: "weight of headings",
  radius: "corner radius",
  page: "page",
};

/** Lets a theme decide what files say of some settings; one that decides it already stays the same. */
const taking =
  ({ told: _, radius, page, import: sheets, ...faces }: InUse, keys: string[]): Edit =>
  (d) => {
    const all = [...new Set([...sheetList(d.type?.import), ...(sheets ?? [])])];
    const type = { ...d.type, ...among({ ...faces, import: asSheets(all) }, keys) };
    const shape = { ...d.shape, ...among({ radius }, keys) };
    return replaceEqualDeep(d, {
      ...d,
      ...(Object.keys(type).length > 0 && { type }),
      ...(Object.keys(shape).length > 0 && { shape }),
      ...(page && keys.includes("page") && { roles: withPage(d.roles, page) }),
    });
  };

/** Roles with the ground of the pages as it is in its mode. */
const withPage = (roles: ThemeDocument["roles"], { mode, hex }: NonNullable<InUse["page"]>) => ({
  ...roles,
  "surface.base": { ...roles?.["surface.base"], [mode]: hex },
});

/** Those of some settings that are wanted and set. */
const among = (settings: object, keys: string[]) =>
  Object.fromEntries(Object.entries(settings).filter(([key, value]) => keys.includes(key) && value != null));

/** Faces, sizes and corners as the files set them, each taken by itself or all at once. */
export function TypeInUse({ inUse }: { inUse: InUse }) {
  const editor = useEditor();
  const take = (ones: One[]) =>
    editor.commit(
      taking(
        inUse,
        ones.map((one) => one.key),
      ),
      `from files: ${[...new Set(ones.map((one) => NAMES[one.key]))].join(", ")}`,
    );
  const document = useEditorState(documentOf);
  const isTaken = ({ key }: One) => taking(inUse, [key])(document) === document;
  const left = inUse.told.filter((one) => !isTaken(one));
  if (inUse.told.length === 0) return null;
  return (
    <section className={classes.inUse} aria-label="Page, type and shape in use">
      <header>
        <strong>Page, type and shape</strong>
        {left.length > 0 && (
          <button type="button" onClick={() => void take(left)}>
            take all
          </button>
        )}
      </header>
      <ul>
        {inUse.told.map((one) => (
          <li key={one.key + one.value}>
            <span>{NAMES[one.key]}</span>
            <b style={faceOf(one)} title={one.value}>
              <Told value={one.value} />
            </b>
            <code>{one.by}</code>
            {isTaken(one) ? (
              <span>in the theme</span>
            ) : (
              <button
                type="button"
                aria-label={`take ${NAMES[one.key]}, ${one.value}`}
                onClick={() => void take([one])}
              >
                take
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** A list of faces is shown in the face itself, where the machine has it. */
const faceOf = ({ key, value }: One) =>
  ["body", "heading", "mono"].includes(key) ? { fontFamily: value } : undefined;
