import { replaceEqualDeep } from "@tanstack/react-query";
import type { ThemeDocument } from "../../../api/client";
import type { Inventory } from "../../../api/inventory";
import { useEditor, useEditorState } from "../../../editor/EditorProvider";
import type { Edit } from "../../../editor/edits";
import { documentOf } from "../../../editor/selectors";
import { asSheets, sheetList } from "../../../faces/faces";
import { Sentence } from "../../../ui/Sentence";
import classes from "./FilesSource.module.css";

type InUse = Inventory["type"];
type One = InUse["told"][number];

/** What each setting is called where it was found; a role by its path. */
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

const nameOf = ({ key }: One) => NAMES[key] ?? key;

/** Lets a theme decide what files say of some settings; one that decides it already stays the same. */
const taking =
  ({ told: _, left: __, page: ___, radius, roles, import: sheets, ...faces }: InUse, keys: string[]): Edit =>
  (d) => {
    const all = [...new Set([...sheetList(d.type?.import), ...(sheets ?? [])])];
    const type = { ...d.type, ...among({ ...faces, import: asSheets(all) }, keys) };
    const shape = { ...d.shape, ...among({ radius }, keys) };
    return replaceEqualDeep(d, {
      ...d,
      ...(Object.keys(type).length > 0 && { type }),
      ...(Object.keys(shape).length > 0 && { shape }),
      ...withRoles(
        d.roles,
        roles.filter(({ role }) => keys.includes(role === PAGE ? "page" : role)),
      ),
    });
  };

/** The role that is told as the page. */
const PAGE = "surface.base";

/** Roles with those of a project, in the modes in which it says them. */
const withRoles = (roles: ThemeDocument["roles"], found: InUse["roles"]) =>
  found.length > 0 && {
    roles: {
      ...roles,
      ...Object.fromEntries(found.map(({ role, ...modes }) => [role, { ...roles?.[role], ...modes }])),
    },
  };

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
      `from files: ${[...new Set(ones.map((one) => nameOf(one)))].join(", ")}`,
    );
  const document = useEditorState(documentOf);
  const isTaken = ({ key }: One) => taking(inUse, [key])(document) === document;
  const left = inUse.told.filter((one) => !isTaken(one));
  if (inUse.told.length + (inUse.left?.length ?? 0) === 0) return null;
  return (
    <section className={classes.inUse} aria-label="Pages, type and shape in use">
      <header>
        <strong>Pages, type and shape</strong>
        {left.length > 0 && (
          <button type="button" onClick={() => void take(left)}>
            take all
          </button>
        )}
      </header>
      <ul>
        {inUse.told.map((one) => (
          <li key={one.key + one.value}>
            <span>{nameOf(one)}</span>
            <b style={faceOf(one)} title={one.value}>
              <Sentence text={one.value} />
            </b>
            <code>{one.by}</code>
            {isTaken(one) ? (
              <span>in the theme</span>
            ) : (
              <button
                type="button"
                aria-label={`take ${nameOf(one)}, ${one.value}`}
                onClick={() => void take([one])}
              >
                take
              </button>
            )}
          </li>
        ))}
      </ul>
      {(inUse.left ?? []).map((address) => (
        <p key={address}>
          Faces from <code>{address}</code> are left: an address of fonts begins with https.
        </p>
      ))}
    </section>
  );
}

/** A list of faces is shown in the face itself, where the machine has it. */
const faceOf = ({ key, value }: One) =>
  ["body", "heading", "mono"].includes(key) ? { fontFamily: value } : undefined;
