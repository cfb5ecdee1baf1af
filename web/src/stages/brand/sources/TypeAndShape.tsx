import { useQuery } from "@tanstack/react-query";
import type { NumberField as Field, ThemeDocument } from "../../../api/client";
import { vocabularyQuery } from "../../../api/queries";
import { useEditor, useEditorState } from "../../../editor/EditorProvider";
import type { Edit } from "../../../editor/edits";
import { documentOf } from "../../../editor/selectors";
import { asSheets, FACES, sheetList } from "../../../faces/faces";
import { OwnHere } from "../../../lineage/OwnHere";
import { useSavedWhole, useWhole } from "../../../lineage/useLineage";
import { NumberField } from "../../../ui/NumberField";
import { TypedField } from "../../../ui/TypedField";
import { Faces } from "./Faces";
import { setType } from "./setType";
import classes from "./TypeAndShape.module.css";

const FAMILIES = ["body", "heading", "mono"] as const;

/** A change of one number, wherever documents keep it. */
const setNumber =
  (field: Field, value: number): Edit =>
  (d) =>
    field.part === "type"
      ? { ...d, type: { ...d.type, [field.key]: value } }
      : { ...d, shape: { ...d.shape, [field.key]: value } };

/** Type faces, sizes by ratio, weights, corner radius and border width. */
export default function TypeAndShape() {
  const editor = useEditor();
  const document = useEditorState(documentOf);
  const saved = useSavedWhole();
  const whole = useWhole();
  const { data } = useQuery(vocabularyQuery);
  const numbers = data?.numbers.filter((n) => n.part !== "scale") ?? [];
  const inForce = (field: Field) => {
    const of = (document: ThemeDocument) => {
      const part: Record<string, unknown> = { ...(field.part === "type" ? document.type : document.shape) };
      return part[field.key] as number | null | undefined;
    };
    return of(saved);
  };
  return (
    <section className={classes.typeShape} aria-label="Type and shape">
      <Faces />
      <OwnHere at={["/type", "/shape"]} />
      <div className={classes.typeGrid}>
        {FAMILIES.map((key) => (
          <TypedField
            key={key}
            label={`${key} families`}
            placeholder={whole.type?.[key]?.join(", ") ?? "system-ui, sans-serif"}
            offers={FACES.map((face) => face.families.join(", "))}
            value={document.type?.[key]?.join(", ") ?? ""}
            onText={(text) => {
              return editor.commit(
                setType({ [key]: text.trim() ? [text] : null }),
                `${key} families: ${text || "default"}`,
                { atField: true },
              );
            }}
          />
        ))}
        <TypedField
          label="web-font addresses"
          placeholder="https://…"
          value={sheetList(document.type?.import).join(" ")}
          onText={(text) =>
            editor.commit(
              setType({ import: asSheets(text.split(/\s+/).filter(Boolean)) }),
              `web font: ${text || "none"}`,
              {
                atField: true,
              },
            )
          }
        />
      </div>
      <div className={classes.numbers}>
        {numbers.map((field) => (
          <NumberField
            key={field.key}
            field={field}
            value={inForce(field)}
            onDraft={(n) => editor.draft(setNumber(field, n))}
            onDiscard={editor.discard}
            onNumber={(n) =>
              editor.commit(setNumber(field, n), `${field.title.toLowerCase()}: ${n} ${field.unit}`.trim(), {
                atField: true,
              })
            }
          />
        ))}
      </div>
    </section>
  );
}
